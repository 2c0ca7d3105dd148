import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const MODULES = import.meta.glob<Record<string, unknown>>(
  ['./**/*.ts', '!./**/*.test.ts', '!./**/*.fixture.ts'],
  { eager: true }
);
/** Everything that the core gives, by its name: an example may use all of it. */
const ALL = Object.assign({}, ...Object.values(MODULES)) as Record<string, unknown>;

type Example = { where: string; file: string; code: string; expected: string };

/** What can be written down in a line, so that an example can. */
const PLAIN =
  /^(number|string|boolean|(readonly )?number\[\]|Float64Array|ArrayLike<number>|(readonly )?Ingredient(\[\])?|Plan|Produce|Stock|AcidWater|AcidGoal|(Acid|Unit|Press|Mill|Form|Scale|Country|Appetite|AlkalinityUnit|FiningId)(Id)?)$/;
const FIGURE = /^(number|number \| null|Estimate|Estimate \| null)$/;

/** The examples of a file: lines of code, the last of them with what it comes to behind `//`. */
function examplesIn(file: string): { examples: Example[]; bare: string[] } {
  const text = readFileSync(new URL(file, import.meta.url), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const examples: Example[] = [];
  const bare: string[] = [];
  const look = (
    name: string,
    node: ts.Node,
    { parameters, type }: Pick<ts.SignatureDeclarationBase, 'parameters' | 'type'>
  ) => {
    const docs = (ts.getLeadingCommentRanges(text, node.pos) ?? []).map((r) => text.slice(r.pos, r.end));
    const doc = docs.join('\n');
    const found = /@example\s([\s\S]*?)(?=\n\s*\*\s*@|\s*\*\/)/.exec(doc)?.[1];
    const types = parameters.filter((p) => !p.initializer).map((p) => p.type?.getText() ?? '');
    const isSum =
      parameters.length > 0 &&
      (types.every((t) => t === 'number') ||
        (FIGURE.test(type?.getText() ?? '') && types.every((t) => PLAIN.test(t))));
    if (!found) return void (isSum && bare.push(`${file}: ${name}`));
    const lines = found.split('\n').map((l) => l.replace(/^\s*\*\s?/, ''));
    const [, last, expected] = /^(.*?)\s*\/\/ (.*)$/.exec(lines.at(-1)!.trim())!;
    examples.push({
      where: `${file}: ${name}`,
      file,
      code: [...lines.slice(0, -1), last].join('\n'),
      expected: expected!
    });
  };
  source.forEachChild((n) => {
    if (!ts.canHaveModifiers(n) || !ts.getModifiers(n)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword))
      return;
    if (ts.isFunctionDeclaration(n) && n.name) look(n.name.text, n, n);
    if (ts.isVariableStatement(n))
      for (const d of n.declarationList.declarations)
        if (d.initializer && ts.isArrowFunction(d.initializer)) look(d.name.getText(), n, d.initializer);
  });
  return { examples, bare };
}

/** What an example comes to, with all of the core at hand, its own file first. */
function run(code: string, file: string): unknown {
  const scope = { ...ALL, ...MODULES[file] };
  const lines = code.split('\n');
  const body = [...lines.slice(0, -1), `return (${lines.at(-1)!});`].join('\n');
  const { outputText } = ts.transpileModule(`function example() {\n${body}\n}`, {
    compilerOptions: { target: ts.ScriptTarget.ESNext, module: ts.ModuleKind.ESNext }
  });
  return new Function(...Object.keys(scope), `${outputText}\nreturn example();`)(...Object.values(scope));
}

const isFigure = (text: string): boolean => /^-?\d+(\.\d+)?$/.test(text);

describe('the examples in the core’s docstrings', () => {
  const files = Object.keys(MODULES).map(examplesIn);

  it('come to what they say', () => {
    const examples = files.flatMap((f) => f.examples);
    expect(examples.length).toBeGreaterThan(200);
    for (const { where, file, code, expected } of examples) {
      const got = run(code, file);
      // A figure is as exact as it is written.
      if (isFigure(expected))
        expect(got, where).toBeCloseTo(Number(expected), expected.split('.')[1]?.length ?? 0);
      else expect(got, where).toEqual(run(expected, file));
    }
  });

  it('stand at every exported sum of what is written in a line', () => {
    expect(files.flatMap((f) => f.bare)).toEqual([]);
  });
});

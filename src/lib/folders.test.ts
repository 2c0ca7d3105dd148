import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { CORE_ORDER } from '../../scripts/core-order.mjs';

const LIB = import.meta.dirname;
const ROUTES = path.join(LIB, '..', 'routes');

/** Files that ship, tests and fixtures aside. */
const filesIn = (root: string): string[] =>
  readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.(ts|svelte)$/.test(f) && !/\.(test|fixture)\.ts$/.test(f))
    .map((f) => path.join(root, f));

/** The files that a file imports, at once or later. */
function importsOf(file: string): string[] {
  const specs = readFileSync(file, 'utf8').matchAll(
    /\b(?:from\s+|import\s*\(\s*)'((?:\.|\$lib\/|\$core\/)[^']+)'/g
  );
  return [...specs].flatMap(([, spec]) => {
    const target = spec!.startsWith('$core/')
      ? path.join(LIB, 'core', spec!.slice(6))
      : spec!.startsWith('$lib/')
        ? path.join(LIB, spec!.slice(5))
        : path.resolve(path.dirname(file), spec!);
    return [target, `${target}.ts`].filter((f) => /\.(ts|svelte)$/.test(f) && existsSync(f));
  });
}

/** Which folders right under `root` each of them uses. */
function uses(root: string): Map<string, Set<string>> {
  const folderOf = (file: string) => {
    const parts = path.relative(root, file).split(path.sep);
    return parts[0] === '..' || parts.length < 2 ? null : parts[0]!;
  };
  const out = new Map<string, Set<string>>();
  for (const file of filesIn(root)) {
    const folder = folderOf(file);
    if (!folder) continue;
    const used = out.get(folder) ?? new Set();
    for (const target of importsOf(file)) {
      const other = folderOf(target);
      if (other && other !== folder) used.add(other);
    }
    out.set(folder, used);
  }
  return out;
}

it('each folder of the core uses only the folders before it', () => {
  const all = uses(path.join(LIB, 'core'));
  const rank = (folder: string) => CORE_ORDER.indexOf(folder);
  const byRank = (folders: Iterable<string>) => [...folders].sort((a, b) => rank(a) - rank(b));
  console.log(
    byRank(all.keys())
      .map((f) => `${f} ← ${byRank(all.get(f)!).join(', ') || 'nothing'}`)
      .join('\n')
  );
  expect([...all.keys()].filter((f) => rank(f) < 0)).toEqual([]);
  const backwards = [...all].flatMap(([f, used]) =>
    [...used].filter((u) => rank(u) >= rank(f)).map((u) => `${f} → ${u}`)
  );
  expect(backwards).toEqual([]);
});

it.each(['.', 'ui'])('no two folders of lib/%s need each other, at once or by way of others', (root) => {
  const all = uses(path.join(LIB, root));
  const reached = (from: string) => {
    const seen = new Set<string>();
    const next = [from];
    for (let f = next.pop(); f !== undefined; f = next.pop()) {
      const more = [...(all.get(f) ?? [])].filter((u) => !seen.has(u));
      next.push(...more);
      for (const u of more) seen.add(u);
    }
    return seen;
  };
  expect([...all.keys()].filter((f) => reached(f).has(f))).toEqual([]);
});

it('the made-up household is reached from the pages that offer it, and from nowhere else', () => {
  const users = [...filesIn(LIB), ...filesIn(ROUTES)]
    .filter((f) => !f.startsWith(path.join(LIB, 'demo')))
    .filter((f) => importsOf(f).some((t) => t.startsWith(path.join(LIB, 'demo'))));
  expect(users.length).toBeGreaterThan(0);
  expect(users.filter((f) => !f.startsWith(ROUTES))).toEqual([]);
});

import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { CORE_ORDER } from '../../../scripts/core-order.mjs';

const ROOT = path.join(import.meta.dirname);

/** Which folders of the core each folder uses, tests and fixtures aside. */
function uses(): Map<string, Set<string>> {
  const out = new Map<string, Set<string>>();
  for (const folder of readdirSync(ROOT, { withFileTypes: true }).filter((d) => d.isDirectory())) {
    const used = new Set<string>();
    for (const file of readdirSync(path.join(ROOT, folder.name), { recursive: true, encoding: 'utf8' })) {
      if (!/\.ts$/.test(file) || /\.(test|fixture)\.ts$/.test(file)) continue;
      const at = path.join(ROOT, folder.name, file);
      for (const [, spec] of readFileSync(at, 'utf8').matchAll(
        /\b(?:from|import\()\s*'(\.[^']+|\$core\/[^']+)'/g
      )) {
        const target = spec!.startsWith('$core/')
          ? path.join(ROOT, spec!.slice(6))
          : path.resolve(path.dirname(at), spec!);
        const other = path.relative(ROOT, target).split(path.sep)[0]!;
        if (other !== folder.name) used.add(other);
      }
    }
    out.set(folder.name, used);
  }
  return out;
}

it('each folder of the core uses only the folders before it, so no two can need each other', () => {
  const all = uses();
  const rank = (folder: string) => CORE_ORDER.indexOf(folder);
  const lines = [...all]
    .sort(([a], [b]) => rank(a) - rank(b))
    .map(
      ([folder, used]) => `${folder} ← ${[...used].sort((a, b) => rank(a) - rank(b)).join(', ') || 'nothing'}`
    );
  console.log(lines.join('\n'));
  expect([...all.keys()].filter((f) => rank(f) < 0)).toEqual([]);
  const backwards = [...all].flatMap(([f, used]) =>
    [...used].filter((u) => rank(u) >= rank(f)).map((u) => `${f} → ${u}`)
  );
  expect(backwards).toEqual([]);
});

import type { z } from 'zod';

/** A path as people write it: `ingredients[2].massKg`. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part),
    ''
  );

/** The first thing wrong with a parsed value: where it stands, and why. */
export function firstProblem(error: z.ZodError): { path: string; reason: string } {
  const issue = error.issues[0]!;
  const path = [...issue.path];
  let reason = issue.message;
  if (issue.code === 'unrecognized_keys') {
    path.push(issue.keys[0]!);
    reason = `“${issue.keys[0]}” is not a key that is known here`;
  }
  if (issue.code === 'invalid_union' && 'discriminator' in issue) reason = `is not one of the known kinds`;
  return { path: pathText(path), reason };
}

import type { z } from 'zod';

/** A path as people write it: `ingredients[2].massKg`. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, part) =>
      typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${String(part)}` : String(part),
    ''
  );

/** Why a value is wrong, as a person would say it; in the schema's own words where it has them. */
export function reasonOf(issue: z.core.$ZodIssue): string {
  if (!/^Too (?:big|small)\b/.test(issue.message)) return issue.message;
  if (issue.code === 'too_big' && issue.origin === 'number')
    return `is ${issue.inclusive === false ? 'not less' : 'more'} than ${issue.maximum}`;
  if (issue.code === 'too_small' && issue.origin === 'number')
    return `is ${issue.inclusive === false ? 'not more' : 'less'} than ${issue.minimum}`;
  return issue.message;
}

/** The first thing wrong with a parsed value: where it stands, and why. */
export function firstProblem(error: z.ZodError): { path: string; reason: string } {
  const issue = error.issues[0]!;
  const path = [...issue.path];
  let reason = reasonOf(issue);
  if (issue.code === 'unrecognized_keys') {
    path.push(issue.keys[0]!);
    reason = `“${issue.keys[0]}” is not a key that is known here`;
  }
  if (issue.code === 'invalid_union' && 'discriminator' in issue) reason = `is not one of the known kinds`;
  return { path: pathText(path), reason };
}

import type { Recipe } from '$core/must/recipe';
import { sheetOf, type SheetUnits } from '$core/steps/sheet';
import { plainMarkdown as plain } from './batch-markdown';

/** A recipe as a Markdown file: what it makes, what goes in, how, and when. */
export function recipeMarkdown(recipe: Recipe, vesselName: string, units: SheetUnits): string {
  const s = sheetOf({ ...recipe.plan, name: recipe.name }, vesselName, units);
  const list = (items: readonly string[]) => items.map((i) => `- ${i}`).join('\n');
  return [
    `# ${plain(recipe.name)}`,
    `Version ${recipe.version}, ${recipe.madeAt.slice(0, 10)}.`,
    list(s.makes.map(plain)),
    '## What goes in',
    list(s.ingredients.map((i) => `${i.amount} ${plain(i.name)}${i.note ? ` (${plain(i.note)})` : ''}`)),
    ...(s.powders.length > 0
      ? ['## Powders', list(s.powders.map((p) => `${plain(p.name)}: ${plain(p.amount)}`))]
      : []),
    ...(s.schools.length > 0 ? ['## Choices', list(s.schools.map(plain))] : []),
    '## Steps',
    s.steps.map((x, n) => `${n + 1}. **${plain(x.title)}**, ${x.when}. ${plain(x.how)}`).join('\n'),
    ...(recipe.note ? ['## Note', plain(recipe.note)] : []),
    'Amounts are estimates from typical produce: read the must before the yeast. Home-made wine is for adults, within local law.'
  ]
    .join('\n\n')
    .concat('\n');
}

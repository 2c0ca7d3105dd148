import { json, type RequestHandler } from '@sveltejs/kit';
import { chooseIngredient } from '$core/plan/choose';
import { isNamedFood } from '$core/tables/plants';
import { refuse } from '../body';

/** Whether something of that name may go into a wine: food, refused, or not known, and why. */
export const GET: RequestHandler = ({ url }) => {
  const name = url.searchParams.get('name')?.trim() ?? '';
  if (!name) return refuse(400, 'name', 'Give a name, such as ?name=elderflower.');
  if (name.length > 200) return refuse(400, 'name', 'The name is longer than 200 characters.');
  const answer = chooseIngredient(name);
  if (answer.kind === 'refused') return json({ verdict: 'refused', why: answer.why });
  const known = answer.choices[0];
  if (known || isNamedFood(name))
    return json({ verdict: 'food', why: known ? `${known.label} is in the table.` : 'It is known as food.' });
  return json({
    verdict: 'unknown',
    why: 'It is not in the table. Identify it with someone who knows it; if in doubt, leave it out.'
  });
};

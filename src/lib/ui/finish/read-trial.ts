import type { Trial } from '$core/finish/trial';
import { InputError } from '$core/units/input-error';
import { parseNumber } from '$core/units/number';

function figure(text: string, what: string, most: number): number {
  const n = parseNumber(text);
  if (n === null || n <= 0 || n > most)
    throw new InputError(`“${text}” is no ${what}.`, `Give a number up to ${most}.`);
  return n;
}

/**
 * The glasses of a trial as they were typed: how many, how large (mL), and the step from one to the next.
 * @throws InputError where a figure is none
 */
export const readTrial = (f: Record<'glasses' | 'glass' | 'step', string>, mostStep: number): Trial => ({
  glasses: Math.max(2, Math.round(figure(f.glasses, 'number of glasses', 9))),
  glassL: figure(f.glass, 'size of a glass', 500) / 1000,
  stepGL: figure(f.step, 'step', mostStep)
});

/**
 * Whether two words differ by one slip: a letter put in, left out, changed, or swapped with its neighbour.
 * @example isSlip('rhubrab', 'rhubarb') // true
 */
export function isSlip(a: string, b: string): boolean {
  if (a === b || Math.abs(a.length - b.length) > 1) return false;
  let i = 0;
  while (i < a.length && a[i] === b[i]) i++;
  // Behind a slip all is the same again: most words are told apart by their last letter.
  if (i < Math.min(a.length, b.length) - 2 && a.at(-1) !== b.at(-1)) return false;
  const [restA, restB] = [a.slice(i), b.slice(i)];
  return (
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    restA.slice(1) === restB.slice(1) ||
    (restA.length > 1 && restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2))
  );
}

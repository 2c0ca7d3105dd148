/** Deeper than any plan, log or file; a tower of brackets would bring a reader down. */
export const MOST_DEEP = 60;

/** Whether a JSON text nests brackets deeper than anything sound. */
export function isTooDeep(text: string, most = MOST_DEEP): boolean {
  let deep = 0;
  let inText = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inText) {
      if (c === 92) i += 1;
      else if (c === 34) inText = false;
    } else if (c === 34) inText = true;
    else if (c === 123 || c === 91) {
      if (++deep > most) return true;
    } else if (c === 125 || c === 93) deep -= 1;
  }
  return false;
}

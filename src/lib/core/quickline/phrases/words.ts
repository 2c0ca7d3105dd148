import { ask, read, type Read } from '../context';

const NOTE = /^(?:note|remember|memo)\b\s*[:,-]?\s*/i;
const NEXT = /^next\s+(?:time|year)\b\s*[:,-]?\s*/i;
const TASTED = /^(?:tast(?:ed|ing|es)|tasting\s+note)\b(?:\s+it\b)?\s*(:?)\s*/i;
/** Said of a taste, these are what can be weighed, and belong to a look. */
const WEIGHED =
  /^(?:still\s+)?(?:bone\s+|quite\s+|very\s+|only\s+)*(?:(?:a\s+(?:little|bit|touch)\s+|slightly\s+|just\s+)?sweet|dry|off[\s-]dry|medium)$/i;
const LIKED = /[\s,(]*\b([1-5])\s*(?:\/|of|out of)\s*5\)?\s*$/i;

/**
 * What is kept as it was written: a note, a tasting.
 * @param text with its capitals
 * @returns null where it is neither
 */
export function readWords(text: string): Read | null {
  const t = text.trim();
  const next = NEXT.exec(t);
  if (next) {
    const words = t.slice(next[0].length).trim();
    return words
      ? read({ kind: 'note', text: words, nextTime: true })
      : ask('text', 'What is to be done otherwise next time?');
  }
  const note = NOTE.exec(t);
  if (note) {
    const words = t.slice(note[0].length).trim();
    return words ? read({ kind: 'note', text: words }) : ask('text', 'What is the note?');
  }
  const tasted = TASTED.exec(t);
  if (!tasted) return null;
  const liked = LIKED.exec(t);
  const words = t.slice(tasted[0].length, liked?.index).trim();
  if (!words) return ask('text', 'How does it taste?');
  if (!liked && WEIGHED.test(words.split(/[,;]|\band\b/)[0]!.trim())) return null;
  return read({ kind: 'tasting', text: words, ...(liked ? { liking: Number(liked[1]) } : {}) });
}

import { createHmac, randomInt, timingSafeEqual } from 'node:crypto';

/** Letters and digits that nobody mistakes for one another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
/** Shorter codes are guessed. */
const LEAST = 8;

/** A new pairing code, such as `K7QM-2RWX`. */
export const newCode = (): string =>
  Array.from({ length: 8 }, (_, i) => (i === 4 ? '-' : '') + LETTERS[randomInt(LETTERS.length)]).join('');

/** A code as it may be typed: without its dash, in small letters. */
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

const isSame = (a: string, b: string): boolean => {
  const [x, y] = [a, b].map((t) => createHmac('sha256', 'vecino').update(t).digest());
  return timingSafeEqual(x!, y!);
};

/**
 * What instruments are paired with: a code, from which the key of each follows. Who has not the code can make no key, and
 * what bears none costs the server nothing.
 * @param given the code that the server was told, 8 letters or digits at least; empty where it makes its own
 */
export function pairingOf(given: string) {
  const told = plain(given);
  if (given !== '' && told.length < LEAST)
    throw new Error(`PAIRING_CODE has ${told.length} letters and digits; give ${LEAST} at least.`);
  const code = given === '' ? newCode() : given;
  const keyOf = (id: string): string => createHmac('sha256', plain(code)).update(id).digest('base64url');
  return {
    code,
    keyOf,
    isCode: (typed: string): boolean => isSame(plain(typed), plain(code)),
    isKey: (id: string, key: string): boolean => isSame(key, keyOf(id))
  };
}

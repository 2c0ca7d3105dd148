/** The name in a Host header, without its port, in small letters. */
const nameIn = (host: string): string =>
  host
    .toLowerCase()
    .replace(/:\d*$/, '')
    .replace(/^\[(.*)\]$/, '$1');

/** Whether a Host header names this very machine. */
export const isLoopbackName = (host: string): boolean =>
  /^(?:localhost|127(?:\.\d{1,3}){3}|::1)$/.test(nameIn(host));

/** A bare address: no name server of a stranger can have led here by it. */
const isAddress = (name: string): boolean => /^\d{1,3}(?:\.\d{1,3}){3}$/.test(name) || name.includes(':');

/**
 * Whether a server answers to the name it is called by: this machine, a bare address, or a name that it was told. Any
 * other was led here by a name server that is not the household's.
 * @param told names, with commas between; as `SERVER_NAMES` has them
 */
export function answersTo(host: string, told: string): boolean {
  const name = nameIn(host);
  const names = told
    .toLowerCase()
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean);
  return isLoopbackName(host) || isAddress(name) || names.includes(name);
}

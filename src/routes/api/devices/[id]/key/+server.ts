import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { pairing } from '$lib/devices/server-pairing';
import { readAs, refuse } from '../../../body';

const codeSchema = z.strictObject({ code: z.string().min(1).max(100) });

/** After this many wrong codes in a minute no code is checked until the minute is over: guessing is stopped. */
const MOST_WRONG = 10;
const MINUTE = 60_000;
let wrong: number[] = [];

/** The key of a device, for who knows the pairing code. */
export const POST: RequestHandler = async ({ params, request }) => {
  if (!/^[\w-]{1,64}$/.test(params.id ?? ''))
    return refuse(400, 'id', 'A device has a name of letters, digits and dashes, up to 64.');
  const read = await readAs(request, codeSchema);
  if (!read.ok) return read.response;
  const now = Date.now();
  wrong = wrong.filter((at) => now - at < MINUTE);
  if (wrong.length >= MOST_WRONG)
    return refuse(429, 'code', 'Too many wrong codes. Wait a minute, and look it up where the server runs.');
  if (!pairing().isCode(read.data.code)) {
    wrong.push(now);
    return refuse(401, 'code', 'That is not the pairing code that the server printed when it started.');
  }
  return json({ key: pairing().keyOf(params.id!) }, { headers: { 'cache-control': 'no-store' } });
};

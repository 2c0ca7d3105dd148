import { plain } from '$core/units/say';
import { json } from '@sveltejs/kit';
import type { z } from 'zod';
import { firstProblem } from '$core/units/problem';
import { isTooDeep, MOST_DEEP } from '$core/units/too-deep';

const MAX_BYTES = 1_000_000;
/** A body that takes longer than this to come is not waited for, ms. */
const MOST_MS = 15_000;
/** Reads at most `MAX_BYTES` of a body, however it is sent; null when there is more. */
async function readBody(request: Request): Promise<string | null> {
  if (!request.body) return '';
  const reader = request.body.getReader();
  const timer = setTimeout(() => void reader.cancel().catch(() => undefined), MOST_MS);
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      size += value.byteLength;
      if (size > MAX_BYTES) {
        // The rest is read and dropped, so that the sender hears the answer.
        chunks.length = 0;
        continue;
      }
      chunks.push(value);
    }
  } finally {
    clearTimeout(timer);
  }
  return size > MAX_BYTES ? null : new TextDecoder().decode(Buffer.concat(chunks));
}

/** A refusal, with what is wrong and where. */
export const refuse = (status: number, path: string, reason: string) =>
  json({ error: { path, reason } }, { status });

/** The body as its schema has it, or the refusal to answer with. */
export async function readAs<T extends z.ZodType>(
  request: Request,
  schema: T
): Promise<{ ok: true; data: z.infer<T> } | { ok: false; response: Response }> {
  const no = (status: number, path: string, reason: string) =>
    ({ ok: false, response: refuse(status, path, reason) }) as const;
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase() ?? '';
  if (type !== 'application/json')
    return no(415, 'content-type', 'Send JSON, with the header content-type: application/json.');
  let text: string | null;
  try {
    text = await readBody(request);
  } catch {
    return no(400, '', 'The body did not come whole.');
  }
  if (text === null) return no(413, '', 'The body is larger than 1 MB. Send one plan at a time.');
  if (isTooDeep(text)) return no(400, '', `The body nests more than ${MOST_DEEP} brackets.`);
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch (e) {
    return no(400, '', `The body is not JSON: ${(e as Error).message}`);
  }
  const read = schema.safeParse(body);
  if (read.success) return { ok: true, data: read.data };
  const { path, reason } = firstProblem(read.error);
  return no(400, path, reason);
}

/** An answer as JSON; what it says in words is in metric measures. */
export const spoken = (value: unknown): Response =>
  new Response(plain(JSON.stringify(value)), { headers: { 'content-type': 'application/json' } });

/** An answer that a sum makes, or a refusal that says why it cannot. */
export function answer(sum: () => unknown): Response {
  try {
    return spoken(sum());
  } catch (e) {
    const said = e as { path?: string; message?: string; todo?: string };
    return refuse(
      400,
      said.path ?? '',
      [said.message ?? 'This cannot be reckoned with.', said.todo ?? ''].join(' ').trim()
    );
  }
}

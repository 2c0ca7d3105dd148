import { json } from '@sveltejs/kit';
import type { z } from 'zod';
import { firstProblem } from '$core/units/problem';

const MAX_BYTES = 1_000_000;

/** Reads at most `MAX_BYTES` of a body, however it is sent; null when there is more. */
async function readBody(request: Request): Promise<string | null> {
  if (!request.body) return '';
  const reader = request.body.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
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
  const text = await readBody(request);
  if (text === null)
    return { ok: false, response: refuse(413, '', 'The body is larger than 1 MB. Send one plan at a time.') };
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch (e) {
    return { ok: false, response: refuse(400, '', `The body is not JSON: ${(e as Error).message}`) };
  }
  const read = schema.safeParse(body);
  if (read.success) return { ok: true, data: read.data };
  const { path, reason } = firstProblem(read.error);
  return { ok: false, response: refuse(400, path, reason) };
}

import { isPlainText, unkeepableIn } from '@/core/plain-text';

/** Why what was sent is not read, with the status that says so. */
interface Unread {
  readonly ok: false;
  readonly status: 400 | 413;
}

/**
 * What was sent as text, read no further than is allowed (bytes): where it is longer the rest is not waited for. 400 for what is
 * no text.
 */
export async function readText(
  request: Request,
  most: number,
): Promise<{ readonly ok: true; readonly text: string } | Unread> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return { ok: false, status: 413 };
  if (!request.body) return { ok: true, text: '' };
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const reader = request.body.getReader();
  let text = '';
  let read = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      read += value.length;
      if (read > most) {
        await reader.cancel();
        return { ok: false, status: 413 };
      }
      text += decoder.decode(value, { stream: true });
    }
    text += decoder.decode();
  } catch {
    return { ok: false, status: 400 };
  }
  return isPlainText(text) ? { ok: true, text } : { ok: false, status: 400 };
}

/** The same, read as JSON; what is none is undefined, for its schema to refuse. */
export async function readJson(
  request: Request,
  most: number,
): Promise<{ readonly ok: true; readonly value: unknown } | Unread> {
  const sent = await readText(request, most);
  if (!sent.ok) return sent;
  try {
    const value = JSON.parse(sent.text) as unknown;
    // An escape can write what the text itself may not hold.
    return unkeepableIn(value) === undefined ? { ok: true, value } : { ok: false, status: 400 };
  } catch {
    return { ok: true, value: undefined };
  }
}

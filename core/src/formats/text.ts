/**
 * The text of a file: UTF-8, or UTF-16 where it begins with that mark; else Latin 1 as older programs write it. Null when
 * it holds signs that no text has.
 */
export function decodeText(bytes: Uint8Array): string | null {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return utf16(bytes.subarray(2), 0);
  if (first === 0xfe && second === 0xff) return utf16(bytes.subarray(2), 1);
  const text = utf8(bytes) ?? latin1(bytes);
  return /[\u0000-\u0008\u000e-\u001f]/.test(text) ? null : text.replace(/^\ufeff/, '').replace(/\r\n?/g, '\n');
}

function utf16(bytes: Uint8Array, highAt: 0 | 1): string {
  let text = '';
  for (let at = 0; at + 1 < bytes.length; at += 2) {
    const [a, b] = [bytes[at]!, bytes[at + 1]!];
    text += String.fromCharCode(highAt === 0 ? a | (b << 8) : (a << 8) | b);
  }
  return text.replace(/\r\n?/g, '\n');
}

function latin1(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return text;
}

/** Null when the bytes are not UTF-8. */
function utf8(bytes: Uint8Array): string | null {
  try {
    return decodeURIComponent(percentEncoded(bytes));
  } catch {
    return null;
  }
}

function percentEncoded(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (const byte of bytes) parts.push(PERCENT[byte]!);
  return parts.join('');
}

/** `decodeURIComponent` is the decoder that the language itself brings: the core knows no TextDecoder. */
const PERCENT = Array.from({ length: 256 }, (_, byte) => `%${byte.toString(16).padStart(2, '0')}`);

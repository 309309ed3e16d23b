import { type Result, fail, ok } from '../../core/result/result.ts';

/** Sizes beyond which a file is not read at all: nothing that belongs here comes near. */
export const LARGEST = { garden: 16_000_000, table: 8_000_000 } as const;

const MARKS: [number[], string][] = [
  [[0xef, 0xbb, 0xbf], 'utf-8'],
  [[0xff, 0xfe], 'utf-16le'],
  [[0xfe, 0xff], 'utf-16be'],
];
/** So much of a file tells in which alphabet it is written. */
const LOOKED_AT = 512;

/**
 * The text of a file, whatever alphabet it was saved in: by its mark, by the zeros that two-byte alphabets are full of, as UTF-8, and at last as what
 * spreadsheets of western Europe write. Fails with `file-too-large` before anything is read, or `file-unreadable`.
 */
export async function textOf(file: Blob, most: number): Promise<Result<string>> {
  if (file.size > most) return fail('file-too-large', undefined, { bytes: file.size, most });
  let bytes: Uint8Array;
  try {
    bytes = new Uint8Array(await file.arrayBuffer());
  } catch {
    return fail('file-unreadable');
  }
  return ok(decoded(bytes));
}

export function decoded(bytes: Uint8Array): string {
  const marked = MARKS.find(([mark]) => mark.every((b, i) => bytes[i] === b));
  if (marked) return new TextDecoder(marked[1]).decode(bytes);
  const zeros = [0, 0];
  const looked = Math.min(bytes.length, LOOKED_AT);
  for (let i = 0; i < looked; i++) if (bytes[i] === 0) zeros[i % 2]!++;
  if (looked >= 4 && zeros[1]! > looked / 5 && zeros[0] === 0)
    return new TextDecoder('utf-16le').decode(bytes);
  if (looked >= 4 && zeros[0]! > looked / 5 && zeros[1] === 0)
    return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

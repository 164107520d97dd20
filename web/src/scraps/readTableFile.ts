import Papa from 'papaparse';

const BYTES_MOST = 20_000_000;

/** A text as rows of cells, whatever separates them. */
export const cellsOfText = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\s+$/, ''), { skipEmptyLines: false }).data;

/** Bytes as text: UTF-8 where they are, else as older programs write it. */
function textOf(bytes: ArrayBuffer): string {
  const start = new Uint8Array(bytes.slice(0, 2));
  if (start[0] === 0xff && start[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** A table's file as rows of cells. Rejects with an Error for what is none, with a way on. */
export async function readTableFile(file: File): Promise<string[][]> {
  if (/\.(xlsx?|ods|numbers)$/i.test(file.name))
    throw new Error(
      `“${file.name}” is a workbook. Save its sheet as CSV, or copy its cells and paste them here.`,
    );
  if (file.size > BYTES_MOST)
    throw new Error(`“${file.name}” is larger than 20 MB. Take in one year after the other.`);
  const text = textOf(await file.arrayBuffer());
  if (text.includes('\u0000'))
    throw new Error(`“${file.name}” is no table. CSV, or cells copied from a spreadsheet, are.`);
  const cells = cellsOfText(text);
  if (cells.every((row) => row.every((cell) => cell.trim() === '')))
    throw new Error(`“${file.name}” is empty.`);
  return cells;
}

import Papa from 'papaparse';
import type { Table } from '$core/report/tables';

/** What a spreadsheet would run, or take for an error, at the head of a text, in either width; figures are not texts. */
const FORMULA = /^[\s\0]*[=+\-@\t\r|%＝＋－＠｜％]/;

/**
 * A table as CSV: comma, CRLF, quotes where they are wanted; a text that a spreadsheet would run is made harmless by an
 * apostrophe, as spreadsheets themselves write it.
 * @source RFC 4180; OWASP, “CSV Injection” (from memory)
 */
export const csvOf = ({ head, rows }: Table): string =>
  // The mark of UTF-8 tells spreadsheets which letters these are.
  `\uFEFF${Papa.unparse({ fields: head, data: rows.map((r) => r.map((c) => c ?? '')) }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;

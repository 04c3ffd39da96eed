/**
 * A cell that begins with one of these is worked out as a formula by a spreadsheet. OWASP, “CSV Injection”, from memory.
 * The apostrophe is among them so that what is put in front can be taken off again.
 */
const FORMULA = /^[=+\-@\t\r\n']/;

/** Returns text as it may stand in a CSV cell: what a spreadsheet would compute gets an apostrophe before it. */
export function safeCell(text: string): string {
  return FORMULA.test(text) ? `'${text}` : text;
}

/** Returns the text that a CSV cell stands for: without the apostrophe of `safeCell`. */
export function textOfCell(cell: string): string {
  return cell.startsWith("'") ? cell.slice(1) : cell;
}

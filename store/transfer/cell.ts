/**
 * A cell that begins with one of these is worked out as a formula by a spreadsheet. OWASP, “CSV Injection”, from memory.
 * The apostrophe is among them so that what is put in front can be taken off again.
 */
const FORMULA = /^[=+\-@\t\r\n']/;

/** Text as it may stand in a cell: one that a spreadsheet would work out has an apostrophe before it. */
export function safeCell(text: string): string {
  return FORMULA.test(text) ? `'${text}` : text;
}

/** The text a cell stands for. */
export function textOfCell(cell: string): string {
  return cell.startsWith("'") ? cell.slice(1) : cell;
}

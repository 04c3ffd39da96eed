/**
 * Returns how to read an archive without the program, as plain text.
 *
 * @param heads history codes
 */
export const readmeOf = (
  layout: number,
  heads: readonly string[],
): string => `This is everything that was written down in a larder: animals, lots of meat, packs,
jars and cans, canning runs with their readings, seals, shelves, and who did what.

To read it
  data/*.csv         one table each. Any spreadsheet opens them (UTF-8, commas, the
                     first line names the columns).
  photos/*.jpg       pictures of animals, and of pages of a guide.
  datapackage.json   what each table and column is, its type, and which columns
                     point to which table (a Frictionless Data Package, version 1).

How it is written
  Times are whole milliseconds since 1970-01-01 00:00 UTC.
  The unit stands at the end of a column's name: _kg, _kpa, _c, _mm, _min.
  Nothing between two commas means that nothing was written down; "" is empty text.
  Text that a spreadsheet would take for a formula has an apostrophe before it.
  A line that corrects another names it in the column "corrects". Both stand.
  chain_link.csv has a SHA-256 hash for each line of run_event.csv and audit.csv:
  over the hash before it and the line's columns, as one JSON list. A run's first
  hash is taken over the run itself.

History codes
  One for the activity log (LOG) and one for each run: its code, the number of the
  last line, and the beginning of that line's hash. Copied to paper now, they show
  later whether a line was changed (Records, then History). history.svg has the
  first as a QR code.
${heads.map((h) => `  ${h}\n`).join("")}
To restore it
  Start the program with an empty larder, and choose Records, then Restore. It can
  be restored by the version that made it and by every later one (layout ${layout}).
  Do not unpack it for that: the zip file is taken as it is.

Nothing here opens a door: passphrases, PINs and tokens are not in it.
`;

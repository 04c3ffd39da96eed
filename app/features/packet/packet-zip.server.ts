import { stringify } from "csv-stringify/sync";
import { buffer } from "node:stream/consumers";
import { ZipFile } from "yazl";
import { safeCell } from "#store/transfer";
import { recordPdf } from "../record/record-pdf.server";
import { giveWay, type Packet, type PacketTable } from "./packet.server";
import { packetPdf } from "./packet-pdf.server";

/** Returns a table of the packet as CSV (RFC 4180), with nothing in it that a spreadsheet would work out. */
export const packetCsv = ({ columns, rows }: PacketTable): string =>
  stringify([columns, ...rows.map((r) => r.map(safeCell))], { record_delimiter: "windows" });

/** Returns a season's packet as one zip: the whole as PDF, each table as CSV, each canner run's record by itself. */
export async function packetZip(packet: Packet): Promise<Buffer> {
  const zip = new ZipFile();
  zip.addBuffer(await packetPdf(packet), "packet.pdf");
  for (const table of packet.tables) zip.addBuffer(Buffer.from(packetCsv(table)), `${table.key}.csv`);
  for (const record of packet.records) {
    zip.addBuffer(await recordPdf(record), `runs/run-${record.code}.pdf`);
    await giveWay();
  }
  zip.end();
  return buffer(zip.outputStream);
}

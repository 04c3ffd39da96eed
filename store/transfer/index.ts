export { safeCell, textOfCell } from "./cell.ts";
export { writeArchive } from "./write.ts";
export { readArchive, type Arrived } from "./read.ts";
export { ARCHIVE_LIMIT_BYTES } from "./unpack.ts";

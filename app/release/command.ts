/** `npm run pack:release`: one archive of the program for this kind of machine, to be unpacked where only Node is. */
import { statSync } from "node:fs";
import { PROGRAM_FOLDER } from "#store/db";
import { packRelease } from "./pack.ts";

const archive = await packRelease(PROGRAM_FOLDER, "release");
console.log(`${archive}, ${Math.round(statSync(archive).size / 1e6)} MB`);
console.log("Unpack it elsewhere with: tar -xf, and start it there with: node start.js --network");

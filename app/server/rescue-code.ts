import { createHash, randomInt, timingSafeEqual } from "node:crypto";
import { rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ALPHABET } from "#core/code";

const FILE = "rescue-code.txt";
const plain = (code: string) => code.toUpperCase().replace(/[^A-Z0-9]/g, "");
const hashOf = (code: string) => createHash("sha256").update(plain(code)).digest();

/**
 * The code that a rescue asks for before it brings a backup back: it is printed where the program was started, and stands in
 * a file of the data folder that only its owner can read. Whoever knows it has the machine, and not only an address.
 */
export class RescueCode {
  private hash: Buffer | null = null;

  constructor(private readonly folder: string) {}

  /** Makes one and tells it, unless there is one already. */
  tell(print: (line: string) => void = (line) => void process.stdout.write(line)): void {
    if (this.hash) return;
    const letters = Array.from({ length: 8 }, () => ALPHABET[randomInt(ALPHABET.length)]!).join("");
    const code = `${letters.slice(0, 4)}-${letters.slice(4)}`;
    this.hash = hashOf(code);
    print(`To restore a backup on the rescue screen, type this code: ${code}\n`);
    try {
      writeFileSync(join(this.folder, FILE), `${code}\n`, { mode: 0o600 });
    } catch {
      // The terminal has it.
    }
  }

  /** Whether this is the code that was told. */
  is(code: string): boolean {
    return this.hash !== null && timingSafeEqual(hashOf(code), this.hash);
  }

  /** It was used: the next rescue has another. */
  use(): void {
    this.hash = null;
    rmSync(join(this.folder, FILE), { force: true });
  }
}

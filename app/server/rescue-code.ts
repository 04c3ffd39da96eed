import { rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { hashOfCode, newOneTimeCode } from "./one-time-code";

const FILE = "rescue-code.txt";

/**
 * The code that a rescue asks for before it brings a backup back: it is printed where the program was started, and stands in
 * a file of the data folder that only its owner can read. Whoever knows it has the machine, and not only an address.
 */
export class RescueCode {
  private hash: string | null = null;

  constructor(private readonly folder: string) {}

  /** Makes one and tells it, unless there is one already. */
  tell(print: (line: string) => void = (line) => void process.stdout.write(line)): void {
    if (this.hash) return;
    const code = newOneTimeCode();
    this.hash = hashOfCode(code);
    print(`To restore a backup on the rescue screen, type this code: ${code}\n`);
    try {
      writeFileSync(join(this.folder, FILE), `${code}\n`, { mode: 0o600 });
    } catch {
      // The terminal has it.
    }
  }

  /** Whether this is the code that was told. */
  is(code: string): boolean {
    // Hashes are compared: how long that takes tells nothing of the code.
    return this.hash !== null && hashOfCode(code) === this.hash;
  }

  /** It was used: the next rescue has another. */
  use(): void {
    this.hash = null;
    rmSync(join(this.folder, FILE), { force: true });
  }
}

/** `inspect-main.ts <file> <question as JSON>`: looks at a larder's file and prints what it found as JSON. */
import { inspectFile, type Question } from "./inspect.ts";

const [path = "", question = "null"] = process.argv.slice(2);
process.stdout.write(JSON.stringify(inspectFile(path, JSON.parse(question) as Question | null)));

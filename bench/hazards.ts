import { writeFileSync } from "node:fs";
import { hazardsInWords } from "../app/words/hazards.ts";

writeFileSync("docs/hazards.md", hazardsInWords());

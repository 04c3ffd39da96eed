/**
 * Run after drizzle-kit has generated a migration: it cannot say STRICT, so this adds it to every CREATE TABLE.
 * Already strict statements are left alone.
 */
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { MIGRATIONS } from "./layout.ts";

const folder = MIGRATIONS;
for (const name of readdirSync(folder).filter((n) => n.endsWith(".sql"))) {
  const path = join(folder, name);
  const before = readFileSync(path, "utf8");
  const after = before.replaceAll(/(CREATE TABLE [^;]*?\n\))( STRICT)?;/g, "$1 STRICT;");
  if (after !== before) writeFileSync(path, after);
}

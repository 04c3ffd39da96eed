/**
 * What the program can show, read out of its source: text in markup, and strings that are neither names of things in the
 * code nor addresses nor looks. For the tests that read every word, and for the count of words.
 */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

/** A piece of text as it stands in the source. What is put in while it runs is “…”. */
export interface ShownText {
  file: string;
  line: number;
  text: string;
}

const ROOTS = ["app", "core", "store"];
/** What is no screen: the drawings of all parts for development, commands of systems, the log of hazards, lists of names, what the database keeps, formats. */
const NO_SCREEN =
  /routes\/ui\/|app\/autostart\/|core\/(hazard|species|calendar\/south|canner)|store\/(derived|schema|testing|migrations|epcis)|routes\/api\/|core\/(plan\/linear|recipe\/ingredient)|ui\/button\/|store\/db\/(chain|copy|strict|statements|functions)/;
/** Attributes that nobody reads. */
const UNREAD =
  /^(class(Name)?|[a-z]*ClassName|to|href|action|id|htmlFor|key|type|role|method|encType|name|value|rel|src|d|viewBox|points|transform|fill|stroke\w*|font\w*|style|target|accept|autoComplete|inputMode|pattern|form\w*|list|as|side|align|mode|kind|tone|intent|method|size|data-.*|aria-(labelledby|describedby|controls|live|current|haspopup|atomic|relevant|sort|orientation|expanded|pressed|checked))$/;
/** Functions whose words are for machines. */
const MACHINE =
  /^(href|get|getAll|has|set|append|delete|querySelector(All)?|getElementById|addEventListener|removeEventListener|createElement|closest|matches|includes|startsWith|endsWith|indexOf|split|join|replace|replaceAll|test|exec|prepare|pragma|exec|run|require|import|fetch|setAttribute|getAttribute|removeAttribute|dispatchEvent|postMessage|register|emit|on|once|off|setHeader|header|redirect|createContext|cookie|createCookie|route|index|layout|prefix|literal|enum|pick|omit|discriminatedUnion|text|integer|real|primaryKey|references|sqliteTable|uniqueIndex|check|warn|info|debug|log|stringify|parse|resolve|dirname|basename|existsSync|readFileSync|writeFileSync|mkdirSync|createHash|update|digest|localeCompare|padStart|padEnd|normalize|open|formatToParts|resolvedOptions|DateTimeFormat|NumberFormat|getContext|measureText|fillText|matchMedia|toFormat|env|Error|RangeError|TypeError|field|useFetcher|useSubmit|useId|submit|fieldName|item|getItem|setItem|removeItem|data|attr|keyOf|slice|font|text|moveTo)$/;

/** @returns the text when somebody could read it: words, and not a name, an address, a look or a query; otherwise null */
function readable(text: string): string | null {
  const t = text.replace(/\s+/g, " ").trim();
  if (!/\p{L}{2,}/u.test(t)) return null;
  // Addresses, names in the code, and queries.
  if (/^(https?:|[/#.@]|[a-z0-9]+([-_:./][a-z0-9…]+)+$)/.test(t)) return null;
  if (/[<>{}=$|\\]|\b\w+_\w+\b|[a-z]\.[a-z]+\b(?!\.)|=>|[a-z]\(/.test(t)) return null;
  if (
    /\b(select|insert into|coalesce|from|where|after|before|update|delete) \w+ (on|from|set|where|as|insert)\b/i.test(
      t,
    ) &&
    /[A-Z]{4}|_/.test(t)
  )
    return null;
  // Looks: words with a dash, a colon or a bracket inside, one after another.
  const looks = t
    .split(" ")
    .filter((w) => /^!?[a-z0-9]+(?:[-:[\]/().!%…]+[a-z0-9[\]()./%!…-]*)+$/.test(w)).length;
  if (looks > 0 && looks >= t.split(" ").length / 2) return null;
  // One lower-case word without a space is a name in the code far more often than a label.
  if (!/\s/.test(t) && !/^\p{Lu}\p{Ll}/u.test(t)) return null;
  return t;
}

function whoReads(node: ts.Node): boolean {
  for (let at: ts.Node = node; ; at = at.parent) {
    const up = at.parent;
    if (!up) return true;
    if (
      ts.isImportDeclaration(up) ||
      ts.isExportDeclaration(up) ||
      ts.isTypeNode(up) ||
      ts.isLiteralTypeNode(up)
    )
      return false;
    if (ts.isTaggedTemplateExpression(up)) return false;
    if (ts.isJsxAttribute(up)) return !UNREAD.test(up.name.getText());
    if (ts.isPropertyAssignment(up) && up.name === at) return false;
    if (ts.isPropertyAssignment(up) && up.initializer === at && UNREAD.test(up.name.getText())) return false;
    if (ts.isElementAccessExpression(up) && up.argumentExpression === at) return false;
    if (ts.isCaseClause(up) && up.expression === at) return false;
    if (
      ts.isBinaryExpression(up) &&
      /^(===|!==|in|==|!=)$/.test(up.operatorToken.getText()) &&
      (up.left === at || up.right === at)
    )
      return false;
    if ((ts.isCallExpression(up) || ts.isNewExpression(up)) && up.expression !== at) {
      const name = ts.isPropertyAccessExpression(up.expression)
        ? up.expression.name.text
        : up.expression.getText();
      return !MACHINE.test(name);
    }
    if (ts.isStatement(up) || ts.isArrowFunction(up) || ts.isJsxExpression(up)) {
      if (!ts.isJsxExpression(up)) return true;
    }
  }
}

function shownIn(file: string): ShownText[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found: ShownText[] = [];
  const add = (node: ts.Node, text: string) => {
    const read = readable(text);
    if (read !== null)
      found.push({ file, line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, text: read });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) {
      const read = node.text.replace(/\s+/g, " ").trim();
      if (/\p{L}{2,}/u.test(read))
        found.push({
          file,
          line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
          text: read,
        });
    } else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (whoReads(node)) add(node, node.text);
    } else if (ts.isTemplateExpression(node)) {
      if (whoReads(node))
        add(node, node.head.text + node.templateSpans.map((s) => `…${s.literal.text}`).join(""));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Everything the program can show, file by file. Tests, tables of figures and what only tools use are left out. */
export function shownTexts(): ShownText[] {
  return ROOTS.flatMap((root) =>
    readdirSync(root, { recursive: true, encoding: "utf8" })
      .filter((f) => /\.tsx?$/.test(f) && !/\.(test|d)\.tsx?$/.test(f))
      .map((f) => join(root, f))
      .filter((f) => !NO_SCREEN.test(f))
      .sort(),
  ).flatMap(shownIn);
}

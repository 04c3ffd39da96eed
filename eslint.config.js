import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** The arrows between the rooms: app → store → core, bench → core. A room is entered by its own doors (#room/name). */
const arrows = (files, forbidden, why) => ({
  files,
  rules: {
    "no-restricted-imports": ["error", { patterns: [{ regex: forbidden, message: why }] }],
  },
});

const AROUND = "^(\\.\\./)+(core|store|app|bench|demo|e2e)(/|$)";

export default tseslint.config(
  { ignores: ["build", ".react-router", "node_modules", "store/migrations", "test-results"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/consistent-type-imports": [
        "error",
        { fixStyle: "inline-type-imports", prefer: "type-imports", disallowTypeAnnotations: false },
      ],
      // An import of types alone is left in place otherwise, and a page then loads what only the server may.
      "@typescript-eslint/no-import-type-side-effects": "error",
      eqeqeq: ["error", "always", { null: "ignore" }],
    },
  },
  {
    files: ["*.js", "{demo,bench}/*.js"],
    languageOptions: { globals: { process: "readonly", console: "readonly" } },
  },
  {
    files: ["app/**/*.tsx"],
    plugins: { "react-hooks": hooks },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
      // What an effect returns is called as its clean-up, and a promise cannot be: the page would fall with it.
      "no-restricted-syntax": [
        "error",
        {
          selector:
            "ImportDeclaration[importKind='value'][source.value=/^#store|\\u002Fserver\\u002F/]:not(:has(ImportSpecifier[importKind='value']))",
          message: "Write import type: else the database is sent to the browser with the page.",
        },
        ...[
          "JSXAttribute[name.name=/^(to|action)$/]",
          "CallExpression[callee.name=/^(redirect|navigate)$/]",
        ].flatMap((where) =>
          ["Literal[value=/^\\u002F/]", "TemplateLiteral[quasis.0.value.raw=/^\\u002F/]"].map((what) => ({
            selector: `${where} > ${what}, ${where} > JSXExpressionContainer > ${what}`,
            message: "Write href(…): an address that leads nowhere does not compile then.",
          })),
        ),
        {
          selector:
            "CallExpression[callee.name=/^use(Layout|Insertion)?Effect$/] > ArrowFunctionExpression[body.type!='BlockStatement']",
          message: "An effect has a block for a body, and returns nothing but a clean-up.",
        },
        {
          selector:
            "CallExpression[callee.name=/^use(Layout|Insertion)?Effect$/] > ArrowFunctionExpression[async=true]",
          message: "An effect is not async: what it returns is called as its clean-up.",
        },
        {
          selector:
            "CallExpression[callee.name=/^use(Layout|Insertion)?Effect$/] > ArrowFunctionExpression > BlockStatement > ReturnStatement > CallExpression",
          message: "An effect returns a function as its clean-up, not what a call answers.",
        },
      ],
    },
  },
  arrows(
    ["core/**/*.ts"],
    `^#(store|app|ui|demo)|^node:|^react|${AROUND}|^(drizzle|better-sqlite3|express|zod)`,
    "core imports nothing of ours, no Node and no framework.",
  ),
  arrows(["core/**/*.test.ts"], `^#(store|app|ui|demo)|${AROUND}`, "core's tests stay in core."),
  arrows(
    ["store/**/*.ts"],
    `^#(app|ui|demo)|^react|${AROUND}|^express`,
    "store knows core only: no HTML, no HTTP.",
  ),
  arrows(
    ["app/**/*.{ts,tsx}"],
    `^#demo|^(drizzle|better-sqlite3)|(^|/)bench/.*\\.ts$|${AROUND.replace("app|bench|", "")}`,
    "app reaches core and store by their doors, and writes no SQL.",
  ),
  arrows(["bench/**/*.ts"], "^#(ui|demo)/(?!household)", "bench stands outside the app."),
  {
    files: ["core/**/*.ts"],
    ignores: ["core/**/*.test.ts"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: "Time is an argument in core.",
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: "Randomness is an argument in core.",
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: "Time is an argument in core.",
        },
      ],
    },
  },
);

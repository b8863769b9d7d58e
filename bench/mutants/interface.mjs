// Single faults for the front end's pure code: prints them all as JSON, for the files that are named.
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const ts = createRequire(`${process.cwd()}/frontend/`)("typescript");
const K = ts.SyntaxKind;
const SWAPS = new Map([
  [K.LessThanToken, "<="],
  [K.LessThanEqualsToken, "<"],
  [K.GreaterThanToken, ">="],
  [K.GreaterThanEqualsToken, ">"],
  [K.EqualsEqualsEqualsToken, "!=="],
  [K.ExclamationEqualsEqualsToken, "==="],
  [K.PlusToken, "-"],
  [K.MinusToken, "+"],
  [K.AsteriskToken, "/"],
  [K.SlashToken, "*"],
  [K.AmpersandAmpersandToken, "||"],
  [K.BarBarToken, "&&"],
]);
const NAMES = { min: "max", max: "min", floor: "ceil", ceil: "floor", some: "every", every: "some" };
const WORDS = new Set([K.StringLiteral, K.TemplateExpression, K.NoSubstitutionTemplateLiteral]);

const all = [];
for (const file of process.argv.slice(2)) {
  const text = readFileSync(file, "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const add = (kind, node, instead) => {
    const start = node.getStart(source);
    const line = source.getLineAndCharacterOfPosition(start).line + 1;
    all.push({
      file, kind, line, instead,
      start: Buffer.byteLength(text.slice(0, start)),
      end: Buffer.byteLength(text.slice(0, node.end)),
      told: `${node.getText(source).replace(/\s+/g, " ").slice(0, 90)}  →  ${instead.slice(0, 90)}`,
    });
  };
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const swap = SWAPS.get(node.operatorToken.kind);
      const words = WORDS.has(node.left.kind) || WORDS.has(node.right.kind);
      const [left, right] = [node.left.getText(source), node.right.getText(source)];
      const boolean = ["&&", "||", "??"].includes(node.operatorToken.getText(source));
      if (swap && !(words && /^[+-]$/.test(swap))) add("operator", node.operatorToken, swap);
      if (boolean || (/^[-+*/]$/.test(node.operatorToken.getText(source)) && !words)) {
        add("dropped term", node, `(${left})`);
        if (boolean) add("dropped term", node, `(${right})`);
      }
    }
    if (ts.isNumericLiteral(node)) add("constant", node, String(Number(node.text) + 1));
    if (ts.isConditionalExpression(node)) {
      add("branch", node, `(${node.whenTrue.getText(source)})`);
      add("branch", node, `(${node.whenFalse.getText(source)})`);
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === K.ExclamationToken)
      add("branch", node, node.operand.getText(source));
    if (ts.isIfStatement(node) && !node.elseStatement) add("removed guard", node, ";");
    if (ts.isPropertyAccessExpression(node) && Object.hasOwn(NAMES, node.name.text))
      add("name", node.name, NAMES[node.name.text]);
    const equal = ts.isCallExpression(node) && /^Math\.(min|max|hypot)$/.test(node.expression.getText(source));
    if (ts.isCallExpression(node) && node.arguments.length > 1 && !equal) {
      const [first, second] = node.arguments;
      const swapped = [second, first, ...node.arguments.slice(2)].map((one) => one.getText(source));
      add("swapped arguments", node, `${node.expression.getText(source)}(${swapped.join(", ")})`);
    }
    if (ts.isReturnStatement(node) && node.expression && !ts.isLiteralExpression(node.expression) && node.expression.kind !== K.NullKeyword) {
      const kind = node.expression.kind;
      const none = kind === K.TemplateExpression ? '""' : kind === K.ArrayLiteralExpression ? "[]" : "null";
      add("returned default", node, `return ${none} as never;`);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
}
process.stdout.write(JSON.stringify(all));

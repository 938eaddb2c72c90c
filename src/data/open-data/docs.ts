import 'server-only';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** What the schema says of its tables and columns, by their names in the database: `batch` and `batch.started_at`. */
export type Docs = ReadonlyMap<string, string>;

const textIn = (node: ts.Node | undefined): string | undefined =>
  node && ts.isStringLiteralLike(node) ? node.text : undefined;

/** The first call at the root of a chain: `text('name')` of `text('name').notNull()`. */
function rootCall(node: ts.Expression): ts.CallExpression | undefined {
  if (!ts.isCallExpression(node)) return undefined;
  return ts.isPropertyAccessExpression(node.expression) ? rootCall(node.expression.expression) : node;
}

function docOf(node: ts.Node, source: ts.SourceFile): string | undefined {
  const [last] = (ts.getLeadingCommentRanges(source.text, node.getFullStart()) ?? []).slice(-1);
  if (!last) return undefined;
  const text = source.text
    .slice(last.pos, last.end)
    .replace(/^\/\*\*?|\*\/$/g, '')
    .replace(/^\s*\* ?/gm, '')
    .trim();
  return text.replace(/\s+/g, ' ');
}

/** Reads the comments of the schema, so that what the open data says of a column is what its makers say of it. */
export function docsOfSchema(folder = join(/*turbopackIgnore: true*/ process.cwd(), 'src/data/schema')): Docs {
  const docs = new Map<string, string>();
  for (const file of readdirSync(folder)) {
    const source = ts.createSourceFile(file, readFileSync(join(folder, file), 'utf8'), ts.ScriptTarget.Latest, true);
    for (const statement of source.statements) {
      if (!ts.isVariableStatement(statement)) continue;
      const made = statement.declarationList.declarations[0]?.initializer;
      const call = made && ts.isCallExpression(made) ? made : undefined;
      if (!call || call.expression.getText(source) !== 'pgTable') continue;
      const table = textIn(call.arguments[0]);
      const [, columns] = call.arguments;
      if (table === undefined || !columns || !ts.isObjectLiteralExpression(columns)) continue;
      const about = docOf(statement, source);
      if (about) docs.set(table, about);
      for (const property of columns.properties) {
        if (!ts.isPropertyAssignment(property)) continue;
        const name = textIn(rootCall(property.initializer)?.arguments[0]);
        const said = docOf(property, source);
        if (name !== undefined && said) docs.set(`${table}.${name}`, said);
      }
    }
  }
  return docs;
}

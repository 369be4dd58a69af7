import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import ts from 'typescript';
import type { Schema, SchemaDescription } from 'yup';

/**
 * `docs/api.md` from the routes and their schemas: `npx tsx scripts/write-api.ts` writes it, a test holds
 * it true. What is said of a request is the comment above its handler; what it takes, its schema.
 */
const API = 'app/api/v1';

interface Handler {
  method: string;
  path: string;
  said: string;
  body: string[];
  query: string[];
}
type Field = SchemaDescription & {
  nullable?: boolean;
  optional?: boolean;
  fields?: Record<string, Field>;
  innerType?: Field;
};

function routeFiles(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true })
    .flatMap((e) =>
      e.isDirectory()
        ? routeFiles(join(folder, e.name))
        : e.name === 'route.ts'
          ? [join(folder, e.name)]
          : [],
    )
    .sort();
}

/** Names of schemas that a text hands to a function. */
const handed = (text: string, pattern: RegExp) => [
  ...new Set([...text.matchAll(pattern)].map((m) => m[1]!)),
];

function handlersOf(file: string): Handler[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const path = `/${file.replace(/^app\//, '').replace(/\/route\.ts$/, '')}`.replace(
    /\[(\w+)\]/g,
    '{$1}',
  );
  return source.statements.flatMap((s) => {
    if (!ts.isFunctionDeclaration(s) || !/^(GET|PUT|POST|PATCH|DELETE)$/.test(s.name?.text ?? ''))
      return [];
    const said = ts
      .getJSDocCommentsAndTags(s)
      .filter(ts.isJSDoc)
      .map((d) => ts.getTextOfJSDocComment(d.comment) ?? '')
      .join(' ')
      .replace(/\s+/g, ' ');
    const body = s.getText();
    return {
      method: s.name!.text,
      path,
      said,
      body: handed(body, /(?:bodyOf|changeOf)\(\s*request,\s*(\w+)/g),
      query: handed(body, /(\w+Schema)\s*\.validate\(\s*(?:asked|told|query|Object\.from)/g),
    };
  });
}

const told = (n: unknown) => (Array.isArray(n) ? n : [n]).map((v) => `\`${String(v)}\``).join(', ');

/** Limits of a field as its schema holds them. */
function limitsOf(field: Field): string {
  const said: string[] = [];
  const named = new Map(field.tests.map((t) => [t.name, t.params]));
  const [min, max] = [named.get('min')?.min, named.get('max')?.max];
  const unit = field.type === 'string' ? ' letters' : field.type === 'array' ? ' of them' : '';
  if (min !== undefined && max !== undefined) said.push(`${String(min)} to ${String(max)}${unit}`);
  else if (max !== undefined) said.push(`at most ${String(max)}${unit}`);
  else if (min !== undefined) said.push(`at least ${String(min)}${unit}`);
  if (named.has('integer')) said.push('whole');
  if (named.has('matches'))
    said.push(`matches \`${String(named.get('matches')?.regex).replaceAll('|', '\\|')}\``);
  const words = (field.oneOf ?? []).filter((w) => w !== null && w !== undefined);
  if (words.length > 0) said.push(`one of ${told(words)}`);
  return said.join('; ');
}

function rowsOf(field: Field, name: string): string[] {
  const type =
    field.type === 'mixed'
      ? 'any'
      : field.type === 'array' && field.innerType
        ? `list of ${field.innerType.type}`
        : field.type;
  const need = `${field.optional ? 'may be absent' : 'must be there'}${field.nullable ? ', or null' : ''}`;
  const own = name === '' ? [] : [`| \`${name}\` | ${type} | ${need} | ${limitsOf(field)} |`];
  const inner = field.fields ?? field.innerType?.fields ?? {};
  const list = field.type === 'array' ? '[]' : '';
  return [
    ...own,
    ...Object.entries(inner).flatMap(([key, f]) =>
      rowsOf(f, name === '' ? key : `${name}${list}.${key}`),
    ),
  ];
}

const isSchema = (of: Schema | Record<string, Schema>): of is Schema =>
  typeof (of as Schema).describe === 'function';

function shapeOf(what: string, schema: Schema): string {
  const rows = rowsOf(schema.describe() as Field, '');
  return rows.length === 0
    ? `${what}: JSON.`
    : `${what}:\n\n| field | type | | possible |\n|---|---|---|---|\n${rows.join('\n')}`;
}

async function schemas(): Promise<Record<string, Schema | Record<string, Schema>>> {
  const modules = await Promise.all(
    readdirSync('app/api')
      .filter((f) => /schemas?\.ts$/.test(f))
      .map((f) => import(pathToFileURL(join(process.cwd(), 'app/api', f)).href)),
  );
  return Object.assign({}, ...modules) as Record<string, Schema | Record<string, Schema>>;
}

/** The whole page, and which handlers say nothing of themselves. */
export async function apiReference(): Promise<{ page: string; silent: string[] }> {
  const known = await schemas();
  const handlers = routeFiles(API).flatMap(handlersOf);
  const parts = handlers.map((h) => {
    const shapes = (what: string, names: readonly string[]) =>
      names.flatMap((name) => {
        const of = known[name]!;
        // Several by their kind, or one.
        return isSchema(of)
          ? [shapeOf(what, of)]
          : Object.entries(of).map(([kind, one]) => shapeOf(`${what} of \`${kind}\``, one));
      });
    const tables = [...shapes('Body', h.body), ...shapes('Query', h.query)];
    return [`## ${h.method} \`${h.path}\``, h.said, ...tables].filter(Boolean).join('\n\n');
  });
  const page = `# The way in for programs: \`/api/v1\`

Made from the routes and their schemas by \`npx tsx scripts/write-api.ts\`; a test holds it true. Do not edit it.

- JSON in and out; lengths in m, speeds in m/s, temperatures in °C, fish in cm and g, instants in UTC ms, places of a beat in its plan frame (x up-current, y toward the true right).
- A change names its \`Origin\`, which must be the program's own, and its \`Content-Type\`; what it makes has an id of the caller's, so every request may be sent twice. With a name of its own (\`Idempotency-Key\`, 1 to 64 letters, digits or dashes) it is taken once.
- Of what several devices change, a body may tell beside its fields \`was\`: what those that it changes held before. They are then laid over what the book holds by now; 409 with a sentence where another changed the same meanwhile, and the rest is kept.
- An error is \`{"error": {"code", "message", "field"}}\`: a sentence for a person, with the field that it speaks of. 400 and 422: not possible; 401: not paired; 404: not there; 409: in conflict; 413: too large; 429: too many; 503: the book is away, full, held or damaged, send it again; 500: something went wrong.
- Over the network a device is let in by \`POST /api/v1/pair\`, and known by the cookie that it gets.

${parts.join('\n\n')}
`;
  return {
    page,
    silent: handlers.filter((h) => h.said === '').map((h) => `${h.method} ${h.path}`),
  };
}

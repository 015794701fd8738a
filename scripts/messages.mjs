// npm run messages: compiles the catalogues in messages/ (YAML, ICU MessageFormat) to modules of `src/core/texts/compiled`,
// with their types. What is used at run time holds no parser: texts, and functions that put them together.
import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import MessageFormat from '@messageformat/core';
import compileModule from '@messageformat/core/compile-module.js';
import { parse } from '@messageformat/parser';
import YAML from 'yaml';
import { root } from './setup.mjs';

const SOURCES = path.join(root, 'messages');
const TARGET = path.join(root, 'src/core/texts/compiled');

/** What a message may do with a list of texts; the functions are in `src/core/texts/formats.ts`. */
const LISTS = ['list', 'commas', 'semicolons', 'lines'];

/** @type {Record<string, import('@messageformat/core').CustomFormatter>} */
const customFormatters = Object.fromEntries(
  LISTS.map((id) => [id, { formatter: () => '', id, module: '../../formats' }]),
);

/** The rule by which a language tells one from several: by Intl, as on the page. */
function pluralOf(language) {
  const rule = { [language]: () => 'other' }[language];
  const { pluralCategories } = new Intl.PluralRules(language).resolvedOptions();
  const ordinals = new Intl.PluralRules(language, { type: 'ordinal' }).resolvedOptions().pluralCategories;
  return Object.assign(rule, {
    cardinals: pluralCategories,
    ordinals,
    module: '../../formats',
  });
}

/** The arguments of a message: what each may be. */
export function argumentsOf(message) {
  const found = new Map();
  const put = (name, type) => {
    const known = found.get(name);
    found.set(name, known === undefined || known === 'Value' ? type : type === 'Value' ? known : merged(known, type)); // prettier-ignore
  };
  const merged = (one, other) => [...new Set(`${one} | ${other}`.split(' | '))].join(' | ');
  const walk = (tokens) => {
    for (const token of tokens) {
      if (token.type === 'argument') put(token.arg, 'Value');
      else if (token.type === 'function')
        put(token.arg, LISTS.includes(token.key) ? 'readonly string[]' : 'number'); // prettier-ignore
      else if (token.type === 'plural' || token.type === 'selectordinal') put(token.arg, 'number');
      else if (token.type === 'select') put(token.arg, typeOfSelect(token.cases));
      if ('cases' in token) for (const one of token.cases) walk(one.tokens);
    }
  };
  walk(parse(message));
  return found;
}

/** `none` is chosen where nothing was given, `true` and `other` tell what is from what is not. */
function typeOfSelect(cases) {
  const keys = cases.map((one) => one.key);
  if (keys.indexOf('none') > 0) throw new Error('The case none stands first.');
  if (keys[0] === 'none') return 'undefined';
  if (keys.includes('true')) return 'boolean';
  const rest = cases.find((one) => one.key === 'other');
  const named = keys.filter((key) => key !== 'other').map((key) => `'${key}'`);
  return rest.tokens.length === 0 ? named.join(' | ') : 'string';
}

const isText = (value) => typeof value === 'string';

function typesOf(messages, indent = '') {
  const lines = Object.entries(messages).map(([key, value]) => {
    const name = /^[A-Za-z_]\w*$/.test(key) ? key : JSON.stringify(key);
    if (!isText(value)) return `${indent}  readonly ${name}: ${typesOf(value, `${indent}  `)};`;
    const given = argumentsOf(value);
    if (given.size === 0) return `${indent}  readonly ${name}: string;`;
    const fields = [...given].map(([arg, type]) => fieldOf(arg, type));
    return `${indent}  readonly ${name}: (given: Readonly<{ ${fields.join('; ')} }>) => string;`;
  });
  return `{\n${lines.join('\n')}\n${indent}}`;
}

function fieldOf(arg, type) {
  const parts = type.split(' | ');
  if (!parts.includes('undefined')) return `${arg}: ${type === 'Value' ? 'string | number' : type}`;
  const rest = parts.filter((part) => part !== 'undefined');
  return `${arg}?: ${[...(rest.length > 0 ? rest : ['string']), 'undefined'].join(' | ')}`;
}

/** What has no argument is a text; `none` asks whether anything was given. */
const simplified = (code) =>
  code
    .replaceAll(/: \(\) => (".*")(,?)$/gm, ': $1$2')
    .replaceAll(/\bselect\(d\.(\w+), \{ none: /g, 'select(given(d.$1), { none: ')
    // Each part by itself, so that a page is sent those that it shows.
    .replace(/^export default \{\n/m, '')
    .replace(/\n\}\s*$/, '\n')
    .replaceAll(/^ {2}(\w+): \{$/gm, 'export const $1 = {')
    .replaceAll(/^ {2}\},?$/gm, '};');

function compile(language, messages) {
  const format = new MessageFormat(pluralOf(language), { customFormatters });
  const code = simplified(compileModule(format, messages));
  return code.includes('given(') ? `import { given } from "../../formats";\n${code}` : code;
}

function readCatalogue(file) {
  const messages = YAML.parse(readFileSync(file, 'utf8'));
  const check = (value, at) => {
    if (typeof value === 'object' && value !== null && !Array.isArray(value))
      return Object.entries(value).forEach(([key, inner]) => check(inner, [...at, key]));
    if (!isText(value)) throw new Error(`${path.basename(file)}: ${at.join('.')} is no text.`);
  };
  check(messages, []);
  return messages;
}

/** Writes what changed, so that whoever watches files is told of nothing else. */
function write(file, text) {
  try {
    if (readFileSync(file, 'utf8') === text) return;
  } catch {
    // It is new.
  }
  writeFileSync(file, text);
}

export function compileMessages() {
  for (const language of readdirSync(SOURCES)) {
    const folder = path.join(TARGET, language);
    mkdirSync(folder, { recursive: true });
    const made = new Set();
    for (const file of readdirSync(path.join(SOURCES, language))) {
      const name = path.basename(file, '.yaml');
      const messages = readCatalogue(path.join(SOURCES, language, file));
      write(path.join(folder, `${name}.js`), compile(language, messages));
      const types = Object.entries(messages).map(
        ([part, inner]) => `export declare const ${part}: ${typesOf(inner)};\n`,
      );
      write(path.join(folder, `${name}.d.ts`), types.join(''));
      made.add(`${name}.js`).add(`${name}.d.ts`);
    }
    for (const file of readdirSync(folder)) if (!made.has(file)) rmSync(path.join(folder, file));
  }
}

if (process.argv[1] === import.meta.filename) compileMessages();

import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { IntlMessageFormat } from 'intl-messageformat';
import { expect, test } from 'vitest';
import YAML from 'yaml';
import { argumentsOf } from '../../scripts/messages.mjs';

/** Another reader of ICU MessageFormat (FormatJS, which compiles nothing) says what each message should be. */

type Tree = { readonly [key: string]: string | Tree };
type Compiled = { readonly [key: string]: string | Compiled | ((given: Record<string, unknown>) => string) };

const SOURCES = path.resolve(import.meta.dirname, '../../messages');
const catalogues = readdirSync(SOURCES).flatMap((language) =>
  readdirSync(path.join(SOURCES, language)).map((file) => ({ language, name: path.basename(file, '.yaml') })),
);

/** Ours besides ICU's: a row of texts, which the other reader is given as it should read. */
const ROWS: Readonly<Record<string, (words: readonly string[], language: string) => string>> = {
  list: (words, language) =>
    new Intl.ListFormat(language === 'en' ? 'en-GB' : language).format(words as string[]),
  commas: (words) => words.join(', '),
  semicolons: (words) => words.join('; '),
  lines: (words) => words.join('\n'),
};

const word = fc.stringMatching(/^[A-Za-zé’ .-]{1,12}$/).filter((text) => text.trim() === text);

function valueOf(type: string): fc.Arbitrary<unknown> {
  if (type === 'boolean') return fc.boolean();
  if (type === 'number') return fc.integer({ min: 0, max: 40 });
  if (type.includes('readonly string[]')) return fc.array(word, { maxLength: 4 });
  if (type.includes('undefined')) return fc.option(word, { nil: undefined });
  const cases = [...type.matchAll(/'([^']+)'/g)].map(([, one]) => one!);
  return cases.length > 0 ? fc.constantFrom(...cases) : word;
}

function expected(message: string, given: Record<string, unknown>, language: string): string {
  const rows: Record<string, string> = {};
  const plain = message.replaceAll(
    /\{(\w+), (list|commas|semicolons|lines)\}/g,
    (_, arg: string, row: string) => {
      rows[`${arg}_${row}`] = ROWS[row]!(given[arg] as readonly string[], language);
      return `{${arg}_${row}}`;
    },
  );
  const isNone = (value: unknown) => value === undefined || (Array.isArray(value) && value.length === 0);
  const absent = Object.fromEntries(
    Object.entries(given).map(([key, value]) => [`${key}_given`, isNone(value) ? 'none' : 'given']),
  );
  const asked = plain.replaceAll(/\{(\w+), select, none \{/g, '{$1_given, select, none {');
  return new IntlMessageFormat(asked, language, undefined, { ignoreTag: true }).format({
    ...(given as Record<string, string>),
    ...absent,
    ...rows,
  }) as string;
}

test.each(catalogues)(
  '$language: each message of $name reads as another reader has it',
  async ({ language, name }) => {
    const source = YAML.parse(readFileSync(path.join(SOURCES, language, `${name}.yaml`), 'utf8')) as Tree;
    const texts = (await import(`../../src/core/texts/compiled/${language}/${name}.js`)) as Compiled;
    const compare = (tree: Tree, compiled: Compiled) => {
      for (const [key, message] of Object.entries(tree)) {
        const made = compiled[key]!;
        if (typeof message === 'object') {
          compare(message, made as Compiled);
          continue;
        }
        const types = Object.fromEntries(
          [...argumentsOf(message)].map(([arg, type]) => [arg, valueOf(type)]),
        );
        if (typeof made === 'string') {
          expect(made).toBe(expected(message, {}, language));
          continue;
        }
        fc.assert(
          fc.property(fc.record(types), (given) => {
            const values = { ...given };
            expect((made as (given: Record<string, unknown>) => string)(values)).toBe(
              expected(message, values, language),
            );
          }),
          { numRuns: 15 },
        );
      }
    };
    compare(source, texts);
  },
);

test('every language has the messages of English, and each takes the same', () => {
  const taken = (tree: Tree): Record<string, unknown> =>
    Object.fromEntries(
      Object.entries(tree).map(([key, message]) => [
        key,
        typeof message === 'string' ? [...argumentsOf(message).keys()].sort() : taken(message),
      ]),
    );
  const read = (language: string, name: string) =>
    taken(YAML.parse(readFileSync(path.join(SOURCES, language, `${name}.yaml`), 'utf8')) as Tree);
  const names = (language: string) =>
    catalogues.filter((one) => one.language === language).map(({ name }) => name);
  for (const { language } of catalogues) expect(names(language)).toEqual(names('en'));
  for (const { language, name } of catalogues) expect(read(language, name)).toEqual(read('en', name));
});

test('a message says what it takes, and of which type', () => {
  expect(Object.fromEntries(argumentsOf('{n, plural, one {# time} other {# times}} of {who}'))).toEqual({
    n: 'number',
    who: 'Value',
  });
  expect(() => argumentsOf('{n, plural, one {# time}')).toThrow();
  expect(() => argumentsOf('{a, select, b {} none {} other {}}')).toThrow('none stands first');
});

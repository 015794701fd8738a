import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { MOST_LINES, readRoster } from './readRoster';

const course = { sections: ['A', 'B'], members: new Set(['ivo@kittiwake.example']) };
const read = (text: string) => readRoster(text, course);
const taken = (text: string) =>
  read(text).lines.map(({ name, email, section }) => `${name} <${email}> ${section ?? '-'}`);
const faults = (text: string) => read(text).faults.map(({ line, message }) => `${line}: ${message}`);

describe('a list of students', () => {
  test.each([
    ['commas', 'Signe Tarn,signe@k.example,A'],
    ['semicolons', 'Signe Tarn;signe@k.example;A'],
    ['tabs', 'Signe Tarn\tsigne@k.example\tA'],
    ['the address first', 'signe@k.example,Signe Tarn,a'],
    ['named columns in another order', 'Section,E-mail,Name\nA,Signe@K.example,Signe Tarn'],
    ['given and family names', 'First name,Last name,Email,Section\nSigne,Tarn,signe@k.example,A'],
    ['quotes, a byte order mark and empty lines', '\uFEFF"Signe  Tarn","signe@k.example","A"\r\n\r\n'],
  ])('is read with %s', (_, text) => expect(taken(text)).toEqual(['Signe Tarn <signe@k.example> A']));

  test('leaves the section open where it is not said and the course has several', () => {
    expect(taken('Signe Tarn,signe@k.example')).toEqual(['Signe Tarn <signe@k.example> -']);
    expect(
      readRoster('Signe Tarn,signe@k.example', { sections: ['A'], members: new Set() }).lines[0]!.section,
    ).toBe('A');
  });

  test('tells who is on the roster already', () => {
    expect(read('Ivo Saltmarsh,IVO@kittiwake.example,A')).toMatchObject({
      lines: [],
      known: [{ email: 'ivo@kittiwake.example' }],
      faults: [],
    });
  });

  test('as a program for mail has it, several on a line, with headings of sections, and twice', () => {
    const text = [
      'Section A',
      'Signe Tarn <signe@k.example>, "Oda Brink" <ODA@k.example>;',
      'B:',
      'Wilma Thole <wilma@k.example>',
      'Corin Garland, corin@k.example',
      'Signe Tarn <signe@k.example>',
      'Signe <signe@k.example>',
      'nobody at all',
    ].join('\n');
    expect(taken(text)).toEqual([
      'Signe Tarn <signe@k.example> A',
      'Oda Brink <oda@k.example> A',
      'Wilma Thole <wilma@k.example> B',
      'Corin Garland <corin@k.example> B',
    ]);
    expect(faults(text).map((fault) => fault.slice(0, 32))).toEqual([
      '7: The same address as in line 2',
      '8: “” is not an e-mail address.',
    ]);
    expect(read(text).passed).toBe(3);
  });

  test('names each line that cannot be read, and takes the others', () => {
    const text = [
      'Signe Tarn,signe@k.example,A',
      'Bram,not an address,A',
      ',oda@k.example,A',
      '=1+1,corin@k.example,A',
      'Wilma,wilma@k.example,C',
      'Signe again,SIGNE@k.example,B',
      `${'x'.repeat(101)},x@k.example,A`,
    ].join('\n');
    expect(taken(text)).toEqual(['Signe Tarn <signe@k.example> A']);
    expect(faults(text)).toEqual([
      '2: “not an address” is not an e-mail address.',
      '3: The name is missing.',
      '4: The name begins like a formula.',
      '5: There is no section “C” in this course.',
      '6: The same address as in line 1, with another name.',
      '7: The name is longer than 100 characters.',
    ]);
  });

  test('in a wrong encoding, or of 50,000 lines, is refused whole', () => {
    expect(faults('Sign\uFFFD,signe@k.example')).toEqual([
      '1: This is not UTF-8 text. Save the file as CSV (UTF-8) and try again.',
    ]);
    const long = Array.from({ length: 50_000 }, (_, i) => `Student ${i},s${i}@k.example,A`).join('\n');
    expect(read(long)).toMatchObject({ lines: [], faults: [{ line: MOST_LINES + 1 }] });
  });

  test('whatever it holds, every line that is not empty is counted once', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.string(),
            fc.constantFrom('a@k.example', 'b@k.example', 'no'),
            fc.constantFrom('A', 'b', 'Z', ''),
          ),
          { maxLength: 20 },
        ),
        (rows) => {
          const plain = rows.map(([name, email, section]) => [
            `n${name.replace(/[",;\t\r\n\0\uFFFD]/g, '')}`,
            email,
            section,
          ]);
          const { lines, known, faults: wrong, passed } = read(plain.map((row) => row.join(',')).join('\n'));
          expect(lines.length + known.length + wrong.length + passed).toBe(plain.length);
        },
      ),
    );
  });
});

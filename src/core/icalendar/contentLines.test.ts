import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { contentLines } from './contentLines';

const octets = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => contentLines(octets(text)).lines;
const values = (text: string) => read(text).map(({ name, value }) => `${name}=${value}`);
const whys = (bytes: Uint8Array) => contentLines(bytes).troubles.map(({ line, why }) => `${line}: ${why}`);

describe('RFC 5545, section 3.1: content lines', () => {
  test('a long line is unfolded: its example', () =>
    expect(
      values('DESCRIPTION:This is a lo\r\n ng description\r\n  that exists on a long line.\r\n'),
    ).toEqual(['DESCRIPTION=This is a long description that exists on a long line.']));
  test('a fold may split a character of several octets', () => {
    const whole = octets('SUMMARY:Bär');
    // Between the two octets of ä.
    const at = whole.indexOf(0xc3) + 1;
    const folded = new Uint8Array([...whole.subarray(0, at), 13, 10, 32, ...whole.subarray(at), 13, 10]);
    expect(contentLines(folded)).toMatchObject({ lines: [{ value: 'Bär' }], troubles: [] });
  });
  test('parameters, quoted where they hold a colon, a semicolon or a comma', () => {
    const [line] = read('ATTENDEE;CN="Oakum; Bram: the elder, B.";ROLE=CHAIR:mailto:bram@kittiwake.example\r\n');
    expect(line).toMatchObject({ name: 'ATTENDEE', value: 'mailto:bram@kittiwake.example' });
    expect([...line!.params]).toEqual([['CN', 'Oakum; Bram: the elder, B.'], ['ROLE', 'CHAIR']]);
  }); // prettier-ignore
  test('names and parameters in small letters are the same ones', () =>
    expect(read('dtstart;tzid=America/Halifax:20261013T100000')[0]).toMatchObject({
      name: 'DTSTART',
      params: new Map([['TZID', 'America/Halifax']]),
    }));
});

test('RFC 6868, section 3: carets in parameters, its example', () => {
  const [line] = read("ATTENDEE;CN=George Herman ^'Babe^' Ruth:mailto:babe@kittiwake.example");
  expect(line!.params.get('CN')).toBe('George Herman "Babe" Ruth');
  expect(read('GEO;X-ADDRESS="The dock^n12 Quay ^^ 1":1;2')[0]!.params.get('X-ADDRESS')).toBe('The dock\n12 Quay ^ 1');
}); // prettier-ignore

describe('files as they are found', () => {
  test('a byte order mark, bare line feeds, bare carriage returns, empty lines', () => {
    const marked = new Uint8Array([
      0xef,
      0xbb,
      0xbf,
      ...octets('BEGIN:VCALENDAR\n\nSUMMARY:a\rEND:VCALENDAR'),
    ]);
    const { lines, troubles } = contentLines(marked);
    expect(lines.map(({ name, line }) => `${line} ${name}`)).toEqual(['1 BEGIN', '3 SUMMARY', '4 END']);
    expect(troubles).toEqual([]);
  });
  test('another encoding is read as Western European, and named', () => {
    const latin = new Uint8Array([...octets('SUMMARY:B'), 0xe4, ...octets('r\r\n')]);
    expect(contentLines(latin).lines[0]!.value).toBe('Bär');
    expect(whys(latin)).toEqual(['1: This line is not UTF-8. It was read as Western European text.']);
  });
  test('what is no content line is left out and named by its line', () =>
    expect(whys(octets('SUMMARY:a\r\nno colon here\r\n:no name\r\nSUMMARY;X=1\r\nSUMMARY:b'))).toEqual([
      '2: This is no line of a calendar.',
      '3: This is no line of a calendar.',
      '4: This is no line of a calendar.',
    ]));
  test('a line of more than 64 kB is left out, the others are read', () => {
    const bytes = octets(`DESCRIPTION:${'x'.repeat(70_000)}\r\nSUMMARY:a\r\n`);
    expect(whys(bytes)).toEqual(['1: This line is longer than 64 kB and was left out.']);
    expect(contentLines(bytes).lines.map(({ name }) => name)).toEqual(['SUMMARY']);
  });
  test('a continuation without a line before it is no line', () =>
    expect(whys(octets(' goes on\r\nSUMMARY:a'))).toEqual(['1: This is no line of a calendar.']));
});

test('whatever a value is and wherever it is folded, it comes out as it went in', () => {
  const value = fc.string({ unit: 'grapheme', maxLength: 120 }).map((text) => text.replace(/[\r\n]/g, ' '));
  fc.assert(
    fc.property(value, fc.array(fc.nat({ max: 200 }), { maxLength: 6 }), (text, cuts) => {
      const whole = octets(`SUMMARY:${text}`);
      const folded: number[] = [];
      // Anywhere behind the name, also within a character.
      const places = new Set(cuts.map((cut) => 8 + (cut % Math.max(1, whole.length - 8))));
      whole.forEach((octet, i) => folded.push(...(places.has(i) ? [13, 10, 32] : []), octet));
      const { lines, troubles } = contentLines(new Uint8Array(folded));
      expect(lines.map((line) => line.value)).toEqual([text]);
      expect(troubles).toEqual([]);
    }),
    { numRuns: 300 },
  );
});

test('nothing that is read makes it throw, and each line is read or named', () =>
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
      const { lines, troubles } = contentLines(bytes);
      for (const { line } of [...lines, ...troubles]) expect(line).toBeGreaterThan(0);
      for (const { name } of lines) expect(name).toMatch(/^[A-Z0-9-]+$/);
    }),
    { numRuns: 500 },
  ));

import { expect, test } from 'vitest';
import { planCsv } from './planCsv';

test('quotes, line breaks and formulas are harmless', () => {
  const rows: Record<string, string>[] = [{ title: '=1+1', place: 'Loft, "upper"' }, { title: 'a\nb' }];
  expect(planCsv(['title', 'place'], rows)).toBe(
    '\uFEFFtitle,place\r\n"\'=1+1","Loft, ""upper"""\r\n"a\nb",\r\n',
  );
});

import { expect, test } from 'vitest';
import { readMeetingText } from './readMeetingText';

test('the link, the number and the code of an invitation are kept apart', () =>
  expect(
    readMeetingText('Hull lofting, open loft\nJoin: https://meet.example/j/845?pwd=a1.\n\nMeeting ID: 845 2231 9902\nPasscode: fair-3\nOr call +1 902 555 0100'),
  ).toEqual({
    link: 'https://meet.example/j/845?pwd=a1',
    number: '845 2231 9902',
    code: 'fair-3',
    rest: 'Hull lofting, open loft\nJoin:\nOr call +1 902 555 0100',
  })); // prettier-ignore

test.each([
  ['an address alone', 'https://meet.example/j/845'],
  ['no address', 'Meeting ID: 845 2231 9902'],
  ['an address that runs something', 'javascript:alert(1)'],
  ['nothing', ''],
])('%s is no invitation', (_, text) => expect(readMeetingText(text)).toBeUndefined());

test.each([
  ['Meeting number: 845-2231-9902', { number: '845 2231 9902' }],
  ['Room no. 11 22 33', { number: '11 22 33' }],
  ['PIN 4711', { code: '4711' }],
  ['Access code: 99 88', {}],
])('%s', (line, parts) => {
  const { link: _, rest: __, ...read } = readMeetingText(`https://meet.example/x\n${line}`)!;
  expect(read).toEqual(parts);
});

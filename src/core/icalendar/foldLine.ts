/** UTF-8 octets of one code point. */
const octetsOf = (codePoint: number) =>
  codePoint < 0x80 ? 1 : codePoint < 0x800 ? 2 : codePoint < 0x10000 ? 3 : 4;

const LIMIT = 75;
const ASCII = /^[\x20-\x7e]*$/;

/**
 * A content line as RFC 5545 section 3.1 wants it: at most 75 octets between line breaks, no character split,
 * each continuation begun by one space, CRLF at the end.
 */
export function foldLine(line: string): string {
  // Most lines are short: three octets a code unit is the most that UTF-8 needs, and ASCII needs one.
  if (line.length * 3 <= LIMIT || (line.length <= LIMIT && ASCII.test(line))) return `${line}\r\n`;
  let folded = '';
  let from = 0;
  let width = 0;
  for (let i = 0; i < line.length;) {
    const codePoint = line.codePointAt(i)!;
    const octets = octetsOf(codePoint);
    if (width + octets > LIMIT) {
      folded += `${line.slice(from, i)}\r\n `;
      from = i;
      width = 1; // the folding space counts towards the 75 octets
    }
    width += octets;
    i += codePoint > 0xffff ? 2 : 1;
  }
  return `${folded}${line.slice(from)}\r\n`;
}

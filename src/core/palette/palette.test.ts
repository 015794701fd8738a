import {
  converter,
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  wcagContrast,
} from 'culori';
import { describe, expect, test } from 'vitest';
import { COURSE_PAIRS, GROUNDS } from './palette';

const rgb = converter('rgb');
const distance = differenceCiede2000();
/** Full protanopia, deuteranopia and tritanopia, after Machado, Oliveira and Fernandes (2009), as culori implements it. */
const eyes = {
  usual: (color: string) => rgb(color)!,
  protan: (color: string) => filterDeficiencyProt(1)(rgb(color)!),
  deutan: (color: string) => filterDeficiencyDeuter(1)(rgb(color)!),
  tritan: (color: string) => filterDeficiencyTrit(1)(rgb(color)!),
};

describe.each(['light', 'dark'] as const)('in the %s scheme', (scheme) => {
  const pairs = Object.entries(COURSE_PAIRS[scheme]);
  const ground = GROUNDS[scheme];

  test.each(pairs)('%s is read on its tint, on cards and on paper', (_, { ink, tint }) => {
    for (const on of [tint, ground.card, ground.paper, ...(scheme === 'light' ? ['#ffffff'] : [])])
      expect(wcagContrast(ink, on)).toBeGreaterThanOrEqual(4.5);
  });

  test.each(Object.entries(eyes))('any two inks lie at least 10 apart (CIEDE2000) to %s eyes', (_, see) => {
    for (const [i, [a, one]] of pairs.entries())
      for (const [b, two] of pairs.slice(i + 1))
        expect({ a, b, far: distance(see(one.ink), see(two.ink)) >= 10 }).toEqual({ a, b, far: true });
  });

  test('text, secondary text and what asks for attention are read on their grounds', () => {
    const { paper, card, ink, soft, spruce, onSpruce, spruceTint, amber, marigoldGround, error, past, edge } =
      ground;
    const texts = [[ink, paper], [soft, paper], [soft, card], [soft, past], [soft, marigoldGround], [spruce, paper], [spruce, spruceTint], [onSpruce, spruce], [amber, marigoldGround], [error, card]]; // prettier-ignore
    for (const [text, on] of texts) expect(wcagContrast(text!, on!)).toBeGreaterThanOrEqual(4.5);
    expect(wcagContrast(edge, paper)).toBeGreaterThanOrEqual(3);
  });
});

import type { LinkTest } from '@/core/links/linkTest';
import { linkTexts } from '@/core/texts/links';
import type { PanelLink } from './panelData';

/** Links with how they answered, where that is worth knowing; what opens says nothing. */
export const answeredLinks = <L extends PanelLink>(
  links: readonly L[],
  tests: ReadonlyMap<string, LinkTest>,
): L[] =>
  links.map((link) => {
    const test = tests.get(link.url);
    return test && test.state !== 'opens' ? { ...link, state: linkTexts.states[test.state] } : link;
  });

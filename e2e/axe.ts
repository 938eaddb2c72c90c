import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** What is held to where a whole room is looked at: the W3C's WCAG 2.2 to AA, and axe's own good practice. */
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What is asked: axe's own choice, all of a room, or only what changes with its colours. */
const RULES = {
  usual: {},
  'a whole room': { runOnly: { type: 'tag' as const, values: TAGS } },
  colours: { runOnly: { type: 'rule' as const, values: ['color-contrast'] } },
};

/** What axe finds in a page as it stands, each with where and in what. */
export async function axeFinds(page: Page, rules: keyof typeof RULES = 'usual'): Promise<string[]> {
  // No room has a frame: axe need not open a page beside it to add them up, which takes as long as to look.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ ...RULES[rules], resultTypes: ['violations'] });
  const { violations } = await axe.analyze();
  return violations.flatMap(({ id, nodes }) =>
    nodes.map((node) => `${id}: ${node.target.join(' ')} ${node.html.slice(0, 160)}`),
  );
}

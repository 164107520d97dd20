import { STAGES, type StageKey } from '@zero-pour/core';
import { Marked, type Token, type Tokens } from 'marked';
import text from '../../../docs/user-guide.md?raw';

/** A part of the user guide: its heading, or the name of a stage, and what it says as HTML. */
export interface GuidePart {
  title: string;
  html: string;
}

const BY_STAGES = 'A pour, stage by stage';
/** The guide leads to pages of the repository, which are not part of the application: their names stand alone. */
const markdown = new Marked({
  renderer: {
    link({ tokens }) {
      return this.parser.parseInline(tokens);
    },
  },
});

/** The numbered stages of a list, each under its bold name. */
function stageParts(list: Tokens.List): GuidePart[] {
  return list.items.map((item) => {
    const html = markdown.parser(item.tokens);
    const title = /<strong>(.+?)<\/strong>/.exec(html)?.[1] ?? '';
    return { title, html: html.replace(/^(<p>)?<strong>.+?<\/strong>\s*/, '$1') };
  });
}

/** The guide cut at its headings; the stages of a pour are parts of their own. */
export function cutGuide(source: string): GuidePart[] {
  const parts: { title: string; tokens: Token[] }[] = [];
  for (const token of markdown.lexer(source)) {
    if (token.type === 'heading' && token['depth'] === 2)
      parts.push({ title: String(token['text']), tokens: [] }); // prettier-ignore
    else parts.at(-1)?.tokens.push(token);
  }
  return parts.flatMap(({ title, tokens }) => {
    const list = tokens.find((token) => token.type === 'list') as Tokens.List | undefined;
    return title === BY_STAGES && list ? stageParts(list) : [{ title, html: markdown.parser(tokens) }];
  });
}

export const GUIDE: readonly GuidePart[] = cutGuide(text);

/** Pages by their route's name; those of the shop by what they show. */
const PAGES: Record<string, string> = {
  board: 'The board',
  week: 'The board',
  bench: 'At the bench',
  moldBench: 'At the bench',
  patterns: 'Patterns',
  resins: 'Resins',
  compare: 'Resins',
  sizes: 'Sizes',
  why: 'Sizes',
  molds: 'Molds',
  inbox: 'Noted in ten seconds',
  scraps: 'Old records',
  labels: 'On paper',
  handOver: 'On paper',
  sheet: 'On paper',
  resinSheet: 'On paper',
};
const SHOP_PAGES: Record<string, string> = {
  network: 'The phone, and two people at once',
  files: 'Out and in',
  about: 'Safekeeping',
  lots: 'Metal lots',
};
const RECORD_PAGES = ['record', 'comparePours', 'recipes', 'pictures', 'trends', 'groups', 'month'];

/** What the guide says of a page: the title of its part. A pour without a stage shows the one that is in work. */
export function partOfPage(name: string, shown: { kind?: string; stage?: string }): string {
  if (name === 'pour') return stageName(shown.stage as StageKey | undefined);
  if (name === 'shop') return SHOP_PAGES[shown.kind ?? ''] ?? 'The shop';
  return RECORD_PAGES.includes(name) ? 'The record' : (PAGES[name] ?? 'The idea');
}
const stageName = (stage: StageKey | undefined): string =>
  STAGES.find(({ key }) => key === stage)?.name ?? STAGES[0]!.name;

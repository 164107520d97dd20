// @vitest-environment happy-dom
import { STAGES } from '@zero-pour/core';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { router } from '../router';
import { cutGuide, GUIDE, partOfPage } from './guideText';

const titles = GUIDE.map(({ title }) => title);

describe('the guide in the application', () => {
  it('is the user guide itself, whole: every heading and every stage of it', () => {
    const text = readFileSync('docs/user-guide.md', 'utf8');
    const headings = [...text.matchAll(/^## (.+)$/gm)].map(([, title]) => title);
    for (const heading of headings)
      if (heading !== 'A pour, stage by stage') expect(titles).toContain(heading);
    expect(titles.filter((title) => STAGES.some(({ name }) => name === title))).toEqual(
      STAGES.map(({ name }) => name),
    );
    for (const { title, html } of GUIDE) expect([title, html.length > 60]).toEqual([title, true]);
  });

  it('has a part for every page that there is', () => {
    const names = router.getRoutes().flatMap(({ name }) => (name ? [String(name)] : []));
    const bare = names.filter((name) => name !== 'scanned');
    for (const name of bare) {
      const part = partOfPage(name, { stage: 'print', kind: 'flask' });
      expect([name, titles.includes(part), part === 'The idea']).toEqual([name, true, false]);
    }
    for (const kind of ['network', 'files', 'lots', 'settings', ''])
      expect(titles).toContain(partOfPage('shop', { kind }));
  });

  it('says of a pour what it says of the stage that is shown', () => {
    for (const { key, name } of STAGES) expect(partOfPage('pour', { stage: key })).toBe(name);
    expect(partOfPage('pour', { stage: '' })).toBe('Brief');
  });

  it('leads nowhere: pages of the repository are no pages of the application', () => {
    const [part] = cutGuide('## One\n\nSee [formats](formats.md), or `?`.\n');
    expect(part).toEqual({ title: 'One', html: '<p>See formats, or <code>?</code>.</p>\n' });
    for (const { html } of GUIDE) expect(html).not.toContain('<a ');
  });

  it('cuts stages at their bold names, with what stands below them', () => {
    const parts = cutGuide(
      '## A pour, stage by stage\n\n1. **Brief** What is wanted.\n   **Two** is no stage.\n2. **Pattern** A file.\n',
    );
    expect(parts.map(({ title }) => title)).toEqual(['Brief', 'Pattern']);
    expect(parts[0]!.html).toContain('What is wanted.');
    expect(parts[0]!.html).toContain('<strong>Two</strong> is no stage.');
  });
});

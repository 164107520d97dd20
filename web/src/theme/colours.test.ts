// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { COLOURS } from './colours';

const src = path.resolve(import.meta.dirname, '..');
const read = (file: string): string => readFileSync(path.join(src, file), 'utf8');
const inCss = (name: string): string => `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`;

describe('the colours of the page', () => {
  it('are the same in the style sheet as for charts and models', () => {
    const sheet = read('theme/theme.css');
    for (const [name, value] of Object.entries(COLOURS))
      expect(sheet).toContain(`  ${inCss(name)}: ${value};`);
    const said = [...sheet.matchAll(/^ {2}(--[a-z0-9-]+): #/gm)].map(([, name]) => name);
    expect(said.sort()).toEqual(Object.keys(COLOURS).map(inCss).sort());
  });

  it('are taken by name everywhere else', () => {
    const files = readdirSync(src, { recursive: true, encoding: 'utf8' }).filter(
      (file) => /\.(vue|ts|css)$/.test(file) && !file.startsWith('theme') && !file.includes('.test.'),
    );
    expect(files.length).toBeGreaterThan(200);
    const literal = /(['"]|:[^;{]*)#(?:[0-9a-f]{3,4}){1,2}\b/i;
    expect(files.filter((file) => literal.test(read(file)))).toEqual([]);
  });

  it('names one colour each', () => {
    const values = Object.values(COLOURS);
    expect(new Set(values).size).toBe(values.length);
  });
});

import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FIGURES, figuresPage, type FigureName } from '@/core/figures/figures';

const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : /\.tsx?$/.test(name) ? [path] : [];
  });
const shown = files('src/features').map((path) => ({ path, text: readFileSync(path, 'utf8') }));
const shownIn = (name: FigureName) =>
  shown
    .filter(({ text }) => [`figure('${name}',`, `figureDay('${name}',`].some((mark) => text.includes(mark)))
    .map(({ path }) => path.replace('src/', ''));

test('every figure has an owner in core, and pages that show it', async () => {
  for (const name of Object.keys(FIGURES) as FigureName[]) {
    const [module, own] = FIGURES[name].owner;
    const found = readFileSync(`src/core/${module}.ts`, 'utf8');
    expect([name, new RegExp(`export (?:async )?(?:function|const) ${own}\\b`).test(found)]).toEqual([name, true]);
    expect([name, shownIn(name).length > 0]).toEqual([name, true]);
  }
});

test('docs/figures.md says who owns each figure and who shows it', () => {
  const page = figuresPage(shownIn);
  if (process.env['HODMAN_WRITE']) writeFileSync('docs/figures.md', page);
  expect(readFileSync('docs/figures.md', 'utf8')).toBe(page);
});

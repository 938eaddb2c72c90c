import { ESLint } from 'eslint';
import { rmSync, writeFileSync } from 'node:fs';

/** What the linter says about a file of this content at this place in the house. */
async function said(path: string, content: string): Promise<string[]> {
  writeFileSync(path, content);
  try {
    const eslint = new ESLint();
    const [result] = await eslint.lintFiles([path]);
    return (result?.messages ?? []).map((message) => `${message.ruleId}: ${message.message}`);
  } finally {
    rmSync(path, { force: true });
  }
}

describe('the import rules bite', () => {
  test.each([
    [
      'core importing React',
      'src/core/lint-sample.ts',
      `import { useState } from 'react';\nexport const x = useState;\n`,
      /core is pure/,
    ],
    [
      'core importing Node',
      'src/core/lint-sample.ts',
      `import { join } from 'node:path';\nexport const x = join;\n`,
      /core is pure/,
    ],
    [
      'core importing data',
      'src/core/lint-sample.ts',
      `import { now } from '@/data/clock';\nexport const x = now;\n`,
      /core imports only itself/,
    ],
    [
      'a component importing src/data',
      'src/features/store/LintSample.tsx',
      `import { now } from '@/data/clock';\nexport const X = () => <p>{now().toISOString()}</p>;\n`,
      /only queries.ts, actions.ts/,
    ],
    [
      'one feature importing another',
      'src/features/store/LintSample.tsx',
      `import { Today } from '@/features/today/Today';\nexport const X = Today;\n`,
      /features do not import each other/,
    ],
    [
      'ui importing a feature',
      'src/ui/LintSample.tsx',
      `import { Today } from '@/features/today/Today';\nexport const X = Today;\n`,
      /imports run/,
    ],
    [
      'a page importing src/data',
      'src/app/dogs/lint-sample.tsx',
      `import { now } from '@/data/clock';\nexport const x = now;\n`,
      /only queries.ts, actions.ts/,
    ],
    [
      'a room that works out a figure',
      'src/features/store/LintSample.tsx',
      `export const X = ({ pack }: { pack: { grams: number; density: number } }) => <p>{pack.grams * pack.density}</p>;\n`,
      /a figure is said by core/,
    ],
  ])(
    '%s fails the linter',
    async (_, path, content, reason) => {
      expect((await said(path, content)).join('\n')).toMatch(reason);
    },
    60_000,
  );

  test.each([
    [
      'core importing core',
      'src/core/lint-sample.ts',
      `import { grams } from './quantity/units';\nexport const x = grams;\n`,
    ],
    [
      'a component importing core and ui',
      'src/features/store/LintSample.tsx',
      `import { writeGrams } from '@/core/quantity/write';\nimport { Why } from '@/ui/Why';\nexport const x = [writeGrams, Why];\n`,
    ],
  ])(
    '%s passes',
    async (_, path, content) => {
      expect(await said(path, content)).toEqual([]);
    },
    60_000,
  );
});

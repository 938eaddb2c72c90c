// Lets Node import the core's TypeScript as it stands: extensions are found, types are stripped.
import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { transformSync } from '@swc/core';

const SOURCE = pathToFileURL('src/').href;

export async function resolve(specifier, context, next) {
  // It throws outside of Next; here nothing is sent to a browser.
  if (specifier === 'server-only') return { url: 'data:text/javascript,', shortCircuit: true, format: 'module' };
  const url = specifier.startsWith('@/')
    ? new URL(specifier.slice(2), SOURCE)
    : specifier.startsWith('.') && context.parentURL
      ? new URL(specifier, context.parentURL)
      : undefined;
  const file = url && new URL(`${url.href}.ts`);
  if (file && existsSync(fileURLToPath(file))) return { url: file.href, shortCircuit: true, format: 'module' };
  return next(specifier, context);
}

export async function load(url, context, next) {
  if (!url.endsWith('.ts')) return next(url, context);
  const { code } = transformSync(readFileSync(fileURLToPath(url), 'utf8'), {
    jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
    module: { type: 'es6' },
  });
  return { format: 'module', source: code, shortCircuit: true };
}

import { readFileSync } from 'node:fs';
import type { Hodman } from './server';

interface Manifest {
  readonly node: Readonly<Record<string, { readonly exportedName: string; readonly filename: string }>>;
}

/** The id under which the built application answers to an action. */
function actionId(name: string): string {
  const manifest = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as Manifest;
  const found = Object.entries(manifest.node).find(([, action]) => action.exportedName === name);
  if (!found) throw new Error(`no action ${name} in the build`);
  return found[0];
}

/** Calls an action the way its form does; gives what the server says. */
export const call = async (hodman: Hodman, path: string, name: string, commandId: string, input: unknown) =>
  (await callWith(hodman, path, name, JSON.stringify([{ commandId, input }]))).text();

/** The same with whatever text in place of what a form would send. */
export const callWith = (hodman: Hodman, path: string, name: string, body: string): Promise<Response> =>
  fetch(hodman.address + path, {
    method: 'POST',
    headers: { 'Next-Action': actionId(name), 'Content-Type': 'text/plain;charset=UTF-8', Origin: hodman.address },
    body,
  });

/** Adds a dog the way the form does; gives what the server says. */
export const addDog = (hodman: Hodman, commandId: string, name: string): Promise<string> =>
  call(hodman, '/dogs/new', 'saveDog', commandId, {
    entry: {
      name,
      birthDate: '2020-05-05',
      weight: '12 kg',
      neutered: true,
      work: 'none',
      proneToGain: false,
      expectedAdultWeight: '',
      meals: '2',
    },
  });

import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { newFolder, startHodman, type Hodman } from './server';
import { seeded } from '../tests/fixtures/seeded';

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

/** Adds a dog the way the form does; true only where the server has said that it is stored. */
async function addDog(hodman: Hodman, name: string): Promise<boolean> {
  const entry = {
    name,
    birthDate: '2020-05-05',
    weight: '12 kg',
    neutered: true,
    work: 'none',
    proneToGain: false,
    expectedAdultWeight: '',
    meals: '2',
  };
  const response = await fetch(`${hodman.address}/dogs/new`, {
    method: 'POST',
    headers: { 'Next-Action': actionId('saveDog'), 'Content-Type': 'text/plain;charset=UTF-8', Origin: hodman.address },
    body: JSON.stringify([{ commandId: `kill-${name}`, input: { entry } }]),
  });
  return (await response.text()).includes('"ok":true');
}

test('kill -9 at ten seeded moments: every acknowledged write is there', async () => {
  test.setTimeout(400_000);
  const random = seeded(20261125);
  const folder = newFolder();
  const acknowledged: string[] = [];
  for (let round = 0; round < 10; round++) {
    const hodman = await startHodman({ folder });
    let killed = false;
    let death: Promise<void> | undefined;
    // The clock runs from the first acknowledged write: a slow day kills no sooner.
    for (let write = 0; !killed && write < 400; write++) {
      const name = `R${round}W${write}`;
      if (await addDog(hodman, name).catch(() => false)) acknowledged.push(name);
      death ??= new Promise<void>((resolve) =>
        setTimeout(() => {
          killed = true;
          void hodman.kill('SIGKILL').then(resolve);
        }, random() * 900),
      );
    }
    await death;
  }
  const last = await startHodman({ folder });
  const page = await (await fetch(`${last.address}/dogs`)).text();
  const missing = acknowledged.filter((name) => !page.includes(`>${name}<`));
  await last.kill('SIGKILL');
  expect(missing).toEqual([]);
  expect(acknowledged.length).toBeGreaterThanOrEqual(10);
});

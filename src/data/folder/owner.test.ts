import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Server } from 'node:net';
import { FolderInUse, ownFolder } from './owner';

const folders: string[] = [];
const newFolder = () => {
  const folder = mkdtempSync(join(tmpdir(), 'hodman-owner-'));
  folders.push(folder);
  return folder;
};
const close = (server: Server) => new Promise((resolve) => server.close(resolve));
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

/** A folder whose owner was killed: its socket is there, and nobody answers. */
async function leftBehind(): Promise<string> {
  const folder = newFolder();
  const child = spawn(process.execPath, [
    '-e',
    `require('net').createServer().listen(${JSON.stringify(join(folder, 'owner.sock'))}, () => process.kill(process.pid, 'SIGKILL'))`,
  ]);
  await new Promise((resolve) => child.once('exit', resolve));
  expect(existsSync(join(folder, 'owner.sock'))).toBe(true);
  return folder;
}

test('of many who take over a folder together, whose owner was killed, one does', async () => {
  for (let race = 0; race < 25; race++) {
    const folder = await leftBehind();
    const all = await Promise.allSettled(Array.from({ length: 6 }, () => ownFolder(folder)));
    const owners = all.flatMap((each) => (each.status === 'fulfilled' ? [each.value] : []));
    expect(owners).toHaveLength(1);
    for (const each of all) if (each.status === 'rejected') expect(each.reason).toBeInstanceOf(FolderInUse);
    expect(readdirSync(folder)).toEqual(['owner.sock']);
    await Promise.all(owners.map(close));
  }
});

test('a socket that nobody answers is taken over; one that answers is not', async () => {
  const folder = await leftBehind();
  const owner = await ownFolder(folder);
  await expect(ownFolder(folder)).rejects.toBeInstanceOf(FolderInUse);
  await close(owner);
  await close(await ownFolder(folder));
});

test('what a process left that was killed while it took over is cleared once it is old', async () => {
  const folder = newFolder();
  const taking = join(folder, 'owner.sock.taking');
  writeFileSync(taking, '');
  utimesSync(taking, new Date(0), new Date(0));
  await close(await ownFolder(folder));
  expect(existsSync(taking)).toBe(false);
});

test('a folder whose path is longer than a socket’s may be has its owner in the temporary folder', async () => {
  const folder = join(newFolder(), 'a'.repeat(120));
  mkdirSync(folder);
  const owner = await ownFolder(folder);
  expect(readdirSync(folder)).toEqual([]);
  await expect(ownFolder(folder)).rejects.toBeInstanceOf(FolderInUse);
  await close(owner);
});

import 'server-only';
import type { Topic } from '@/core/diary/topics';
import { pressAsUsual, pressDiary, writeDiary } from '../commands/diary';
import type { Context } from '../commands/run';

/** Days before today on which something of the dog was not as usual, and what. */
const UNUSUAL: Readonly<Record<number, Partial<Record<Topic, string>>>> = {
  17: { stool: 'soft' },
  16: { stool: 'soft', energy: 'tired' },
  11: { itch: 'some' },
  10: { itch: 'some' },
  6: { stool: 'soft', appetite: 'picky' },
  3: { appetite: 'eager' },
  2: { stool: 'soft', coat: 'glossy' },
};

/** Nobody thinks of it every day. */
const FORGOTTEN = [18, 13, 9, 8, 4];

const WORDS: Readonly<Record<number, string>> = {
  16: 'Slept through the afternoon under the workbench.',
  11: 'Scratches behind the left ear after the walk through the reeds.',
  2: 'Ate some grass on the slipway.',
};

/** Three weeks of a dog's diary. */
export async function writeDemoDiary(
  at: (days: number, clock: string) => Promise<Context>,
  dogId: number,
): Promise<void> {
  for (let ago = 20; ago > 0; ago--) {
    if (FORGOTTEN.includes(ago)) continue;
    const context = await at(-ago, '20:00');
    const day = context.today;
    for (const [topic, level] of Object.entries(UNUSUAL[ago] ?? {}) as [Topic, string][])
      await pressDiary(context, { dogId, day, topic, level });
    await pressAsUsual(context, { dogId, day });
    const words = WORDS[ago];
    if (words !== undefined) await writeDiary(context, { dogId, day, entry: { words, photo: '' } });
  }
}

import { readdirSync } from 'node:fs';
import { register } from 'node:module';
import { z } from 'zod';

/** The actions of every room with the JSON Schema of what they are sent, found by reading src/features. */
export async function actionShapes() {
  register('../typescript.mjs', import.meta.url);
  register('./shapes-hooks.mjs', import.meta.url);
  const shapes = new Map();
  for (const file of readdirSync('src/features', { recursive: true })) {
    if (!/(^|\/)actions\.ts$/.test(file)) continue;
    const actions = await import(new URL(`../../src/features/${file}`, import.meta.url).href);
    for (const [name, action] of Object.entries(actions))
      if (action?.shape)
        shapes.set(name, {
          kind: action.kind,
          schema: z.toJSONSchema(action.shape, { io: 'input', unrepresentable: 'any' }),
        });
  }
  return shapes;
}

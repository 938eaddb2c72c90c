/** Where a later load of a dryer waits: its fridge days count, or it is frozen first. */
export const WAITS = ['fridge', 'freezer'] as const;
export type WaitsIn = (typeof WAITS)[number];

/** How food is cut for a dehydrator: spread thin and broken up, or in strips. */
export const DRIED_FORMS = ['crumb', 'jerky'] as const;
export type DriedForm = (typeof DRIED_FORMS)[number];

/** How thick a form lies, mm, and how long it takes in a dehydrator, h (handbook 12: common practice, no source). */
export const FORMS: Readonly<
  Record<DriedForm, { readonly words: string; readonly mm: number; readonly hours: readonly [number, number] }>
> = {
  crumb: { words: 'crumb, spread thin', mm: 6, hours: [4, 8] },
  jerky: { words: 'strips', mm: 6, hours: [5, 10] },
};

/** The air of a dehydrator once the food was heated, °C (FSIS, jerky; handbook 10). */
export const DRYING_AIR = { least: 54, usual: 57, most: 60 } as const;

/** A tray of a freeze-dryer is filled no deeper than this, cm (handbook 12: common practice, no source). */
export const DEEPEST = 2;

/** g of food in each cm³ (handbook 12, from memory). */
const FOOD = 1.04;

/** g that lie on a tray of so many cm² when it is filled so many cm deep. Source: arithmetic. */
export const gramsOnTray = (areaCm2: number, cm: number): number => areaCm2 * cm * FOOD;

/** How deep so many g lie on a tray, cm. Source: arithmetic. */
export const depthOnTray = (areaCm2: number, mass: number): number => mass / FOOD / areaCm2;

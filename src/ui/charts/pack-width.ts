/** px that a pack is wide: to the mL in proportion, and never too narrow for a thumb. */
export const packWidth = (millilitres: number): number => Math.round(Math.max(44, Math.min(320, millilitres * PER_ML)));
const PER_ML = 0.07;

// In place of the house an action gives its shape.
const STUB = `
export const houseAction = (kind, shape) => ({ kind, shape });
export const houseTry = (shape) => ({ kind: 'try', shape });
export const houseDeed = (shape) => ({ kind: 'deed', shape });
`;

const stub = (text) => ({
  url: `data:text/javascript,${encodeURIComponent(text)}`,
  shortCircuit: true,
  format: 'module',
});

export const resolve = (specifier, context, next) =>
  specifier === '@/data/house-action'
    ? stub(STUB)
    : // Nothing is asked of a request here.
      specifier === 'next/headers'
      ? stub('export const headers = undefined;')
      : next(specifier, context);

// In place of the house an action gives its shape.
const STUB = `
export const houseAction = (kind, shape) => ({ kind, shape });
export const houseTry = (shape) => ({ kind: 'try', shape });
export const houseDeed = (shape) => ({ kind: 'deed', shape });
`;

export const resolve = (specifier, context, next) =>
  specifier === '@/data/house-action'
    ? { url: `data:text/javascript,${encodeURIComponent(STUB)}`, shortCircuit: true, format: 'module' }
    : next(specifier, context);

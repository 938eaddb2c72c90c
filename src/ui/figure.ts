import { daysBetween, type LocalDate } from '@/core/calendar/local-date';
import { DAYS_FROM, type FigureName } from '@/core/figures/figures';

/**
 * Marks what shows an owned figure: its name, of whom or what it is, and the figure itself before it is rounded and written in the
 * household's units. The walk through all pages reads it.
 */
export const figure = (name: FigureName, of: string | number, value: number | undefined) =>
  value === undefined ? {} : { 'data-figure': name, 'data-of': String(of), 'data-value': String(value) };

/** The same of a figure that is a day: days from a fixed one. */
export const figureDay = (name: FigureName, of: string | number, day: LocalDate | undefined) =>
  figure(name, of, day && daysBetween(DAYS_FROM, day));

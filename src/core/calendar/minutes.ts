const MINUTE = 60_000;

/** Minutes from one instant to another; negative where it is earlier. */
export const minutesBetween = (from: Date, to: Date): number => (to.getTime() - from.getTime()) / MINUTE;

/** The instant so many minutes later. */
export const minutesAfter = (from: Date, minutes: number): Date => new Date(from.getTime() + minutes * MINUTE);

'use client';

import { useEffect, useRef, useState, type RefObject } from 'react';

const ACTS = 'main [data-next-act]:not(:disabled):not([aria-disabled="true"])';
const FIRST_FIELDS = 'main form :is(input, textarea, select):not([type="hidden"]):not(:disabled)';

let byKeyboard = false;
if (typeof document !== 'undefined') {
  document.addEventListener('keydown', () => (byKeyboard = true), { capture: true });
  document.addEventListener('pointerdown', () => (byKeyboard = false), { capture: true });
}

/** Nothing has the focus, or what had it is gone, hidden or out of use. */
const isLost = () => {
  const at = document.activeElement;
  return at === null || at === document.body || !at.isConnected || (at instanceof HTMLButtonElement && at.disabled);
};

/**
 * Puts the focus on what comes next, where a press has left it nowhere: the act that a screen marks with `data-next-act`,
 * the first field of a form, or the heading. A cook with the keyboard alone never starts again from the top of the page.
 */
export function focusNextAct(scrolls = byKeyboard): void {
  if (!isLost()) return;
  const seen = [
    ...document.querySelectorAll<HTMLElement>(ACTS),
    ...document.querySelectorAll<HTMLElement>(FIRST_FIELDS),
  ];
  const act = seen.find((element) => element.checkVisibility() && element.closest('[inert]') === null);
  const heading = document.querySelector<HTMLElement>('main h1');
  if (!act && heading) heading.tabIndex = -1;
  // Under a finger nothing may move away; the keyboard sees where it is, and a new step is seen from its beginning.
  (act ?? heading)?.focus({ preventScroll: !scrolls });
}

/** Calls it when a command has been answered and everything that follows stands on the screen. */
export function useFocusAfter(pending: boolean): void {
  const was = useRef(false);
  useEffect(() => {
    if (was.current && !pending) focusNextAct();
    was.current = pending;
  }, [pending]);
  // What was pressed may be gone with its step: then the focus goes on to the step that took its place.
  useEffect(
    () => () => {
      if (was.current) setTimeout(() => focusNextAct(true), 0);
    },
    [],
  );
}

/** Calls it when what is at hand on a screen has changed: the next line, the next step, another room. */
export function useFocusOnChange(atHand: unknown): void {
  const before = useRef(atHand);
  useEffect(() => {
    if (before.current === atHand) return;
    before.current = atHand;
    focusNextAct(true);
  }, [atHand]);
}

/** A new step is seen from its beginning, whoever opened it. */
export function useTopOnChange(step: unknown): void {
  const before = useRef(step);
  useEffect(() => {
    if (before.current === step) return;
    before.current = step;
    window.scrollTo({ top: 0 });
  }, [step]);
}

/**
 * What was taken in hand is where the eye and the reader go. Where it came with the page, the cook may have scrolled or
 * pressed before the page's code came: then nothing moves away under the finger.
 */
export function useFocusWhenOpened(head: RefObject<HTMLElement | null>): void {
  const [isLoaded] = useState(() => typeof window !== 'undefined' && !window.hodmanEarly?.begun);
  useEffect(() => {
    if (isLoaded && (window.scrollY > 0 || !isLost())) return;
    head.current?.focus();
  }, [head, isLoaded]);
}

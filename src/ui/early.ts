/**
 * Runs before the page listens, from the first paint on: keeps what is typed, chosen and pressed until then, so that none
 * of it is lost (docs/decisions/0036). A form is not sent by the browser itself: that would load the page anew.
 * Only `input` is heard, which precedes every `change`: between the two React may take over a select and show its own.
 */
export const EARLY = `(function(){
var kept=window.hodmanEarly={fields:new Map(),presses:new Set(),key:'',begun:false,done:false};
function field(e){var t=e.target;if(!kept.done&&t.matches&&t.matches('input,select,textarea')&&t.type!=='file')kept.fields.set(t,{value:t.value,checked:t.checked})}
function later(e){if(kept.done||!e.isTrusted)return;var b=e.target.closest&&e.target.closest('button');if(!b)return;e.preventDefault();e.stopImmediatePropagation();if(!b.disabled)kept.presses.add(b)}
addEventListener('input',field,true);
addEventListener('click',later,true);
addEventListener('submit',function(e){if(!kept.done)e.preventDefault()},true);
addEventListener('keydown',function(e){if(kept.done)return;if((e.key==='/'||e.key==='?')&&!/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)){e.preventDefault();kept.key=e.key}},true);
})()`;

type Typed = HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement;

interface Kept {
  readonly fields: Map<Typed, { readonly value: string; readonly checked?: boolean }>;
  readonly presses: Set<HTMLButtonElement>;
  key: string;
  /** Is being done again; is done. */
  begun: boolean;
  done: boolean;
}

declare global {
  interface Window {
    hodmanEarly?: Kept;
  }
}

/** Whether the page's own code has taken over an element. */
const isAwake = (element: Element) => Object.keys(element).some((key) => key.startsWith('__reactProps$'));

type Was = { readonly value: string; readonly checked?: boolean };

const isTick = (field: Typed): field is HTMLInputElement =>
  field instanceof HTMLInputElement && (field.type === 'checkbox' || field.type === 'radio');

/** What a field shows is set past whoever keeps count of it, so that it is then heard as a change. */
const show = (field: Typed, value: string) =>
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, value);

/** Sets a field as a hand would have, so that whoever listens to it hears of a change. */
function retype(field: Typed, { value, checked }: Was): void {
  if (isTick(field)) {
    if (checked === undefined || (field.type === 'radio' && !checked)) return;
    // Set the other way first: else the press would turn it away from what was chosen.
    field.checked = !checked;
    field.click();
    return;
  }
  if (!(field instanceof HTMLSelectElement)) field.value = `${value} `;
  show(field, value);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Each in a task of its own: what it changes is drawn before the next, which may build upon it. */
function inTurn(acts: readonly (() => void)[]): void {
  const [first, ...rest] = acts;
  if (first)
    setTimeout(() => {
      first();
      inTurn(rest);
    }, 0);
}

/**
 * Does again what was done before the page listened: first what was typed, then keys, then what was pressed. Once: a part
 * of a page that comes late shows the rest of it anew.
 */
export function catchUp(): void {
  const kept = window.hodmanEarly;
  if (!kept || kept.begun) return;
  kept.begun = true;
  whenAwake(kept, 50);
}

function whenAwake(kept: Kept, tries: number): void {
  const elements = [...kept.fields.keys(), ...kept.presses].filter((element) => element.isConnected);
  if (tries > 0 && !elements.every(isAwake)) {
    setTimeout(() => whenAwake(kept, tries - 1), 100);
    return;
  }
  // At once what was typed stands there again, for the next key goes on from it.
  for (const [field, { value }] of kept.fields) if (field.isConnected && !isTick(field)) show(field, value);
  const again =
    ([field, was]: [Typed, Was]) =>
    () => {
      if (field.isConnected) retype(field, kept.fields.get(field) ?? was);
    };
  inTurn([
    ...[...kept.fields].map(again),
    () => {
      // From here on a press counts by itself; those of the meantime are among the kept.
      kept.done = true;
      const { key, presses } = kept;
      if (key)
        document.dispatchEvent(
          new KeyboardEvent('keydown', { key, code: 'Slash', shiftKey: key === '?', bubbles: true }),
        );
      inTurn([...presses].map((button) => () => button.isConnected && button.click()));
    },
  ]);
}

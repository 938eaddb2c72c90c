'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef } from 'react';
import styles from './keypad.module.css';
import { useUnits } from '../units';
import { useKeypadOpen } from './keypad-open';

const KEYS = ['7', '8', '9', '½', '4', '5', '6', '¼', '1', '2', '3', '⅓', '.', '0', '⌫'];
const UNITS = { metric: ['kg'], us: ['lb', 'oz', 'g'] };
const SAID: Readonly<Record<string, string>> = {
  '⌫': 'delete',
  '½': 'a half',
  '¼': 'a quarter',
  '⅓': 'a third',
  '.': 'point',
  kg: 'kilograms',
  lb: 'pounds',
  oz: 'ounces',
  g: 'grams',
};

/** Types a key into a field the way a keyboard would, so that the form hears of it. */
function typeInto(field: HTMLInputElement, key: string): void {
  const start = field.selectionStart ?? field.value.length;
  const end = field.selectionEnd ?? start;
  if (key === '⌫') field.setRangeText('', start === end ? Math.max(0, start - 1) : start, end, 'end');
  else field.setRangeText(/^[a-z]/.test(key) ? ` ${key}${key === 'lb' ? ' ' : ''}` : key, start, end, 'end');
  field.dispatchEvent(new InputEvent('input', { bubbles: true }));
}

/**
 * Our own keypad for wet hands: large keys that write into the field in hand. It opens by itself on a touch screen,
 * where it takes the place of the device's keyboard, and with a press elsewhere.
 */
export function Keypad() {
  const [open, setOpen] = useKeypadOpen();
  const { set } = useUnits();
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const remember = (event: FocusEvent) => {
      if (event.target instanceof HTMLInputElement && /^(text|search|tel)?$/.test(event.target.type))
        field.current = event.target;
    };
    document.addEventListener('focusin', remember);
    return () => document.removeEventListener('focusin', remember);
  }, []);
  const press = (key: string) => {
    const target = field.current?.isConnected
      ? field.current
      : document.querySelector<HTMLInputElement>('main input[inputmode]');
    if (!target) return;
    target.focus();
    typeInto(target, key);
  };
  return (
    <div className={styles.keypad} data-open={open || undefined} data-keypad={open || undefined}>
      <ButtonBase className={styles.toggle} aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'close the keypad' : 'keypad for wet hands'}
      </ButtonBase>
      {open && (
        <div className={styles.keys} role="group" aria-label="Keypad">
          {[...KEYS, ...UNITS[set]].map((key) => (
            <ButtonBase
              key={key}
              aria-label={SAID[key]}
              // The field keeps the focus, and with it the caret.
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => press(key)}
            >
              {key}
            </ButtonBase>
          ))}
        </div>
      )}
    </div>
  );
}

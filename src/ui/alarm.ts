'use client';

import { useEffect } from 'react';

let sound: AudioContext | undefined;

/** Asks once whether Hodman may ring: the first press on a timer wakes the loudspeaker, which browsers want a hand for. */
export function mayRing(): void {
  sound ??= typeof AudioContext === 'undefined' ? undefined : new AudioContext();
  void sound?.resume();
  if (typeof Notification !== 'undefined' && Notification.permission === 'default')
    void Notification.requestPermission();
}

/** Three notes, and a note beside the page where that was allowed. */
export function ring(said: string): void {
  if (sound) {
    for (const [index, pitch] of [660, 880, 660].entries()) {
      const from = sound.currentTime + index * 0.35;
      const note = sound.createOscillator();
      const loud = sound.createGain();
      note.frequency.value = pitch;
      loud.gain.setValueAtTime(0.4, from);
      loud.gain.exponentialRampToValueAtTime(0.001, from + 0.3);
      note.connect(loud).connect(sound.destination);
      note.start(from);
      note.stop(from + 0.32);
    }
  }
  if (typeof Notification !== 'undefined' && Notification.permission === 'granted')
    new Notification('Hodman', { body: said, tag: said });
}

/** Keeps the screen lit while something runs; where the browser cannot, it goes dark as ever. */
export function useLit(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const light = async () => {
      try {
        const got = await navigator.wakeLock.request('screen');
        if (over) await got.release();
        else lock = got;
      } catch {
        // Refused: a battery that is low, or a page behind another.
      }
    };
    const again = () => document.visibilityState === 'visible' && void light();
    void light();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [on]);
}

'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, type ReactNode } from 'react';
import { nextSetup, type SetupKey, type SetupStep } from '@/core/household/setup';

const Setup = createContext<readonly SetupStep[] | undefined>(undefined);

/** Tells every screen how far the house is set up; undefined: it is. */
export const SetupProvider = ({
  steps,
  children,
}: {
  steps: readonly SetupStep[] | undefined;
  children: ReactNode;
}) => <Setup.Provider value={steps}>{children}</Setup.Provider>;

export const useSetup = () => useContext(Setup);

/** Goes on after a step was done: to the next act of a house that is being set up, or to where it always goes. */
export function useOnward(done: SetupKey): (usual: string) => void {
  const router = useRouter();
  const steps = useSetup();
  return (usual) => router.push((steps && nextSetup(steps, done)?.href) ?? usual);
}

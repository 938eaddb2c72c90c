import { watchFreezer, type FreezerWatch, type MachineKind } from '@/core/preserve/machine-model';
import { machines, type MachineSays } from './machines';

/** How many rows of its log a machine tells with what it says: two days of a freezer. */
const TOLD = 200;

/** What every machine says, with the end of its log; undefined where there is none. */
export function machinesNow(at: number): Readonly<Record<MachineKind, MachineSays>> | undefined {
  const all = machines();
  if (!all) return undefined;
  const says = (kind: MachineKind): MachineSays => {
    const said = all[kind].says(at);
    return { ...said, log: said.log.slice(-TOLD) };
  };
  return { dehydrator: says('dehydrator'), 'freeze-dryer': says('freeze-dryer'), freezer: says('freezer') };
}

/** What the freezer's sensor says of it; undefined where there is none. */
export function freezerNow(at: number): FreezerWatch | undefined {
  const freezer = machines()?.freezer.says(at);
  return freezer && watchFreezer([...freezer.log.slice(-TOLD), freezer]);
}

'use client';

import Button from '@mui/material/Button';
import { isDryBy } from '@/core/batch/steps/dry';
import { writeDay } from '@/core/calendar/local-date';
import { sayDrying } from '@/core/preserve/drying-words';
import { Fold } from '@/ui/Fold';
import { useUnits } from '@/ui/units';
import styles from './drying.module.css';
import { CycleAtHand } from './CycleAtHand';
import { DryingCurve } from './DryingCurve';
import { Load } from './Load';
import { PutBack } from './PutBack';
import { Redry } from './Redry';
import { Slips } from './Slips';
import { ThrownTrays } from './ThrownTrays';
import { TooFat } from './TooFat';
import { TrayBars } from './TrayBars';
import { TrayOwners } from './TrayOwners';
import { TrayRest } from './TrayRest';
import { Trays } from './Trays';
import { cycleOf, dryerOf, hoursLeft, isStillDrying, slipsOf, type DryingProps } from './use-drying';

interface DryShareProps extends DryingProps {
  /** Which load it is, where there are several. */
  name: string | undefined;
  isFirst: boolean;
  onPack: () => void;
}

const TONES = { plain: '', 'in order': 'inOrder', caution: 'caution', danger: 'danger' } as const;

/** Trays that were put right elsewhere are shown anew. */
const trayKey = ({ trays }: DryingProps['share']) =>
  trays.map((tray) => `${tray.tare} ${tray.wetGross} ${tray.dryGross}`).join(' ');

/** One load: what is said of it, its trays drawn, and beside them what comes next. */
export function DryShare({ view, share, name, isFirst, onPack }: DryShareProps) {
  const { inMass } = useUnits();
  const cycle = cycleOf(view, share);
  const machine = dryerOf(view, share);
  const words = share.method === 'dehydrated' ? 'dehydrator' : 'freeze-dryer';
  const isDry = isStillDrying(view, share) ? undefined : isDryBy(share);
  const said = share.sealed
    ? { said: share.packedGrams > 0 ? 'Bagged.' : 'Nothing of it is left.', tone: 'in order' as const }
    : sayDrying(
        {
          grams: share.grams,
          trays: share.trays.length,
          running: cycle?.state.running,
          isOver: cycle?.state.endedAt !== undefined,
          isWithoutPower: cycle?.state.cuts.some(({ to }) => to === undefined) ?? false,
          left: hoursLeft(view, share),
          slips: slipsOf(view, share),
          isDry,
        },
        words,
        inMass,
      );
  const isWaiting = share.trays.length === 0 && share.loadDay !== undefined;
  const isRunning = cycle !== undefined && cycle.state.endedAt === undefined;
  const form = (only: boolean) => (
    <Trays
      key={`${trayKey(share)} ${only}`}
      view={view}
      share={share}
      tare={machine?.tare}
      trays={machine?.room.trays}
      onlyDry={only}
    />
  );
  return (
    <section className={styles.dry} aria-labelledby={`dry-${share.id}`}>
      <div className="stack">
        <div>
          <h2 id={`dry-${share.id}`} className={`${isFirst ? styles.said : ''} ${TONES[said.tone]}`} aria-live="polite">
            {name && <span className="soft">{name}. </span>}
            {said.said}
          </h2>
          <p className="soft">
            {inMass(share.grams)} to be {share.method}
            {isWaiting && share.loadDay !== undefined && (
              <>
                {' '}
                · waits in the {share.waitsIn} until {writeDay(share.loadDay, view.today)}
              </>
            )}
          </p>
        </div>
        <TooFat view={view} share={share} />
        {share.trays.length > 0 && <TrayBars view={view} share={share} />}
        {share.method === 'dehydrated' && <DryingCurve view={view} share={share} />}
        <ThrownTrays view={view} share={share} />
        {!share.sealed && <TrayRest view={view} share={share} />}
        <TrayOwners view={view} share={share} />
        {!share.sealed && share.trays.length === 0 && form(false)}
        {!share.sealed && cycle && !share.dried && (
          <Fold
            key={`out ${isRunning}`}
            title={isRunning ? 'Taken out? Weigh them' : 'The trays with dry food'}
            open={!isRunning || share.method === 'dehydrated'}
          >
            {form(true)}
          </Fold>
        )}
        {!share.sealed && share.trays.length > 0 && (
          <Fold
            key={`${cycle !== undefined} ${share.dried !== undefined}`}
            title={cycle ? 'Put a weight right' : 'The weights of the trays'}
            open={!cycle && !share.dried}
            lazy
          >
            {form(false)}
          </Fold>
        )}
      </div>
      <div className={styles.side}>
        <Slips view={view} share={share} />
        {isDry === true && !share.sealed && (
          <Button variant="contained" size="large" data-next-act onClick={onPack}>
            Bag {inMass(share.left ?? 0)}
          </Button>
        )}
        {share.dried && !share.sealed && said.tone !== 'danger' && (
          <Redry view={view} share={share} isDry={isDry === true} onPack={onPack} />
        )}
        {share.dried && <PutBack view={view} share={share} />}
        {!share.sealed && !share.dried && !cycle && <Load view={view} share={share} />}
        {cycle && !share.sealed && <CycleAtHand view={view} share={share} cycle={cycle} />}
      </div>
    </section>
  );
}

import ButtonBase from '@mui/material/ButtonBase';
import { Link } from '@/ui/Link';
import type { TypedBinding } from '@/core/plan/bindings/bindings';
import type { BindingRow } from '@/core/plan/bindings/row';
import type { Hatch } from '@/core/recipe/protein';
import { limitBar } from '@/ui/charts/limit-bar';
import { hatchFill } from '@/ui/badges/hatch-defs';
import { Why } from '@/ui/Why';
import styles from './plans.module.css';

const SIZE = { width: 300, height: 20 };

interface AllBindingsProps {
  rows: readonly BindingRow[];
  hatch: Hatch;
  /** Whether a pot is set down at all: without one no load is reckoned. */
  hasVessel: boolean;
  onBind: (change: Partial<TypedBinding>) => void;
}

/** The plan said in every way, each against what there is of it: pressing one makes it what binds. */
export function AllBindings({ rows, hatch, hasVessel, onBind }: AllBindingsProps) {
  return (
    <section aria-labelledby="bindings" className={styles.bindings}>
      <h2 id="bindings">What that comes to</h2>
      <ul>
        {rows.map((row) => (
          <li key={row.key} data-binds={row.binds || undefined}>
            <ButtonBase aria-pressed={row.binds} onClick={() => onBind(row.bind)}>
              <b>{row.label}</b>
              <Bar row={row} hatch={hatch} />
              <span className={row.over ? styles.over : undefined}>
                {row.said}
                {row.note && <span className="note"> {row.note}</span>}
              </span>
            </ButtonBase>
            <Why of={row.why} about={row.label} />
          </li>
        ))}
      </ul>
      {!hasVessel && (
        <p className="note">
          No pot is known yet, so nobody can say how many loads it takes:{' '}
          <Link href="/household">say what this kitchen has</Link>.
        </p>
      )}
    </section>
  );
}

function Bar({ row, hatch }: { row: BindingRow; hatch: Hatch }) {
  if (row.used === undefined && row.fridgePart === undefined) return <span className={styles.bar} aria-hidden />;
  const { filled, limit, over } = limitBar(row.used ?? 1, SIZE.width);
  const warm = row.fridgePart === undefined ? filled : filled * row.fridgePart;
  return (
    <svg className={styles.bar} viewBox={`0 -4 ${SIZE.width} ${SIZE.height + 8}`} aria-hidden>
      <rect x="0.75" y="0.75" width={limit - 1.5} height={SIZE.height - 1.5} fill="var(--enamel-raised)" />
      <rect x="0" y="0" width={warm} height={SIZE.height} fill={hatchFill(hatch)} />
      {warm < filled && <rect x={warm} y="0" width={filled - warm} height={SIZE.height} fill="var(--fjord-pale)" />}
      <path d={`M${warm} 0V${SIZE.height}`} stroke="var(--slate)" strokeWidth="1.5" />
      <rect
        x="0.75"
        y="0.75"
        width={limit - 1.5}
        height={SIZE.height - 1.5}
        fill="none"
        stroke="var(--slate)"
        strokeWidth="1.5"
      />
      {over > 0 && <rect x={limit} y="2" width={over} height={SIZE.height - 4} fill="var(--honey)" />}
      <path d={`M${limit} -4V${SIZE.height + 4}`} stroke="var(--slate)" strokeWidth="4" />
    </svg>
  );
}

import type { EquipmentKind } from '@/core/plan/equipment';
import type { PlaceKind } from '@/core/preserve/shelf-life';
import { thingHeight } from '@/ui/charts/thing-size';

interface KitchenThingProps {
  kind: EquipmentKind | PlaceKind;
  /** What it holds; undefined: not known, drawn dashed. */
  millilitres?: number | undefined;
  /** How many trays, or of how many only one is drawn. */
  count?: number;
}

const INK = { fill: 'var(--enamel-raised)', stroke: 'var(--slate)', strokeWidth: 2 } as const;
const MOST_TRAYS = 6;

/** A pot, with what its kind has: a lid that locks, a cord, or nothing. */
function Pot({ high, lid }: { high: number; lid: 'none' | 'locked' | 'glass' }) {
  const wide = high * 1.35;
  const [left, top] = [10, lid === 'none' ? 2 : 12];
  return (
    <svg width={wide + 20} height={high + top + 2} aria-hidden>
      {lid === 'glass' && <path d={`M${left} ${top}q${wide / 2} -16 ${wide} 0`} {...INK} />}
      {lid === 'locked' && <path d={`M${left - 4} ${top}V${top - 6}H${left + wide + 4}V${top}`} {...INK} />}
      <path d={`M${left} ${top}V${top + high - 6}q0 6 6 6H${left + wide - 6}q6 0 6 -6V${top}Z`} {...INK} />
      <path d={`M2 ${top + 8}h8M${left + wide} ${top + 8}h8`} stroke="var(--slate)" strokeWidth="3" />
    </svg>
  );
}

/** A machine or an oven with its trays. */
function Trays({ count, door }: { count: number; door: boolean }) {
  const shown = Math.min(MOST_TRAYS, count);
  const high = 20 + shown * 12;
  return (
    <svg width="96" height={high + 4} aria-hidden>
      {door && <rect x="1" y="1" width="94" height={high} rx="3" {...INK} />}
      {Array.from({ length: shown }, (_, tray) => (
        <path
          key={tray}
          d={`M12 ${12 + tray * 12}v5H${door ? 72 : 84}v-5`}
          fill="none"
          stroke="var(--slate)"
          strokeWidth="2"
        />
      ))}
      {door && <circle cx="84" cy="14" r="4" fill="none" stroke="var(--slate)" strokeWidth="1.6" />}
    </svg>
  );
}

/** A cold place or a cupboard: as high as it holds. */
function Cabinet({ kind, millilitres }: { kind: PlaceKind; millilitres: number | undefined }) {
  const high = thingHeight((millilitres ?? 30_000) * 3);
  const wide = Math.max(56, high * 0.62);
  const cold = kind !== 'cupboard';
  return (
    <svg width={wide + 4} height={high + 4} aria-hidden>
      <rect
        x="2"
        y="2"
        width={wide}
        height={high}
        rx="3"
        {...INK}
        fill={cold ? 'var(--fjord-pale)' : 'var(--enamel-raised)'}
        strokeDasharray={millilitres === undefined ? '5 4' : undefined}
      />
      {kind === 'freezer' && (
        <path d={`M2 ${high / 3}h${wide}M2 ${(high * 2) / 3}h${wide}`} stroke="var(--slate)" strokeWidth="1.4" />
      )}
      {kind === 'fridge' && <path d={`M2 ${high / 3}h${wide}`} stroke="var(--slate)" strokeWidth="1.4" />}
      {kind === 'cupboard' && <path d={`M${wide / 2 + 2} 2v${high}`} stroke="var(--slate)" strokeWidth="1.4" />}
      <path d={`M${wide - 8} ${high / 2 - 4}v10`} stroke="var(--slate)" strokeWidth="2.6" />
    </svg>
  );
}

/** A thing of the kitchen as it stands there, in proportion to what it holds. Its words stand beside it. */
export function KitchenThing({ kind, millilitres, count = 1 }: KitchenThingProps) {
  switch (kind) {
    case 'pot':
      return <Pot high={thingHeight(millilitres ?? 0)} lid="none" />;
    case 'pressure cooker':
      return <Pot high={thingHeight(millilitres ?? 0)} lid="locked" />;
    case 'slow cooker':
      return <Pot high={thingHeight(millilitres ?? 0)} lid="glass" />;
    case 'container': {
      const high = thingHeight(millilitres ?? 500);
      return (
        <svg width={high * 1.3 + 8} height={high + 8} aria-hidden>
          <path d={`M4 6l3 ${high}H${high * 1.3 - 1}l3 ${-high}Z`} {...INK} />
          <path d={`M1 6H${high * 1.3 + 5}`} stroke="var(--slate)" strokeWidth="4" />
        </svg>
      );
    }
    case 'oven trays':
      return <Trays count={count} door={false} />;
    case 'fridge':
    case 'freezer':
    case 'cupboard':
      return <Cabinet kind={kind} millilitres={millilitres} />;
    default:
      return <Trays count={count} door />;
  }
}

import styles from './caution.module.css';

/** The caution that stands near every plan. */
export const STANDING_CAUTION =
  'Hodman does the sums; it does not replace a vet. Pups, pregnant, nursing, old or ill dogs and any prescription diet go to ' +
  'a vet or a board-certified nutritionist first. Local rules on raw feeding and on selling pet food apply: cook for your own dogs.';

export function Caution({ children }: { children: React.ReactNode }) {
  return <p className={styles.caution}>{children}</p>;
}

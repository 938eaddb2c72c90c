/** Where the probe goes: its tip in the middle of the thickest piece, off the bottom, the wall and any bone. */
export function ProbePlace() {
  return (
    <svg
      viewBox="0 0 150 96"
      width="150"
      height="96"
      role="img"
      aria-label="The tip of the probe is in the middle of the thickest piece, away from the bottom of the pot"
    >
      <path d="M16 36q12 -5 24 0t24 0t24 0t24 0V84H16Z" fill="var(--fjord-pale)" />
      <path
        d="M30 62q4 -18 34 -17t32 18q-2 13 -33 13T30 62Z"
        fill="var(--carrot-pale)"
        stroke="var(--slate)"
        strokeWidth="1.6"
      />
      <path
        d="M16 18V80q0 6 6 6H106q6 0 6 -6V18M4 28h12M112 28h12"
        fill="none"
        stroke="var(--slate)"
        strokeWidth="2.6"
      />
      <path d="M118 4L66 60" stroke="var(--slate)" strokeWidth="2.6" />
      <circle cx="122" cy="6" r="7" fill="var(--enamel-raised)" stroke="var(--slate)" strokeWidth="2" />
      <circle cx="65" cy="61" r="4.5" fill="var(--carrot)" />
    </svg>
  );
}

const CUP = 'M0 8L7 50H41L48 8M48 18q16 0 12 16h-13';

/** What a level cup is: struck flat with the back of a knife, neither heaped nor pressed down. */
export function CupLevel() {
  return (
    <figure>
      <svg viewBox="0 0 190 58" width="190" height="58" role="img" aria-label="A level cup: struck flat, not heaped">
        <g transform="translate(8 4)">
          <path d="M0.6 10L7 50H41L47.4 10Z" fill="var(--carrot-pale)" />
          <path d="M-6 7H62" stroke="var(--slate)" strokeWidth="3.4" />
          <path d="M62 3.6h14q8 3.4 0 6.8H62Z" fill="var(--enamel-raised)" stroke="var(--slate)" strokeWidth="1.6" />
          <path d={CUP} fill="none" stroke="var(--slate)" strokeWidth="2.2" />
        </g>
        <g transform="translate(118 4)" opacity="0.6">
          <path d="M0.6 10Q24 -14 47.4 10L41 50H7Z" fill="var(--carrot-pale)" />
          <path d={CUP} fill="none" stroke="var(--slate)" strokeWidth="2.2" />
          <path d="M-6 54L60 -2" stroke="var(--beet)" strokeWidth="3" />
        </g>
      </svg>
      <figcaption className="note">level: struck flat, not heaped, not pressed</figcaption>
    </figure>
  );
}

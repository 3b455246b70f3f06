/** The product's sign: a stud and half a cleat. In the theme's own colors, for light and dark. */
export function Logo({ size }: { readonly size: number }) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden="true">
      <rect x="4" y="3" width="7" height="26" fill="var(--ink)" />
      <path d="M13 8 L28 8 L28 20 L20 20 L13 13 Z" fill="var(--birch)" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}

/** A wide pan with two handles, seen from above. */
export function Mark({ size = 34 }: { size?: number }) {
  return (
    <svg width={size} height={size * 0.66} viewBox="0 0 36 24" aria-hidden="true">
      <ellipse cx="18" cy="12" rx="11" ry="9" fill="var(--raised)" stroke="var(--rim)" strokeWidth="2.6" />
      <path d="M7.5 8.2c-7 0-7 7.6 0 7.6M28.5 8.2c7 0 7 7.6 0 7.6" fill="none" stroke="var(--rim)" strokeWidth="2.2" />
    </svg>
  );
}

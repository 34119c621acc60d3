/** The mark: a ridge, climbed as far as the filled part. */
export function Mark({ width = 40 }: { width?: number }) {
  return (
    <svg width={width} height={width / 2} viewBox="0 0 40 20" aria-hidden="true">
      <path d="M1 19V14l11-5v10z" fill="currentColor" />
      <path d="M1 14l11-5 7 1.6L38 1v18H1" fill="none" stroke="currentColor" strokeWidth="1.5" />
    </svg>
  );
}

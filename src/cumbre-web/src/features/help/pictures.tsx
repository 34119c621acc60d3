const ink = "var(--mui-palette-text-primary)";
const soft = "var(--mui-palette-rock)";
const glacier = "var(--mui-palette-primary-main)";
const orange = "var(--mui-palette-alpenMark)";

/** Small drawings of the six parts of the loop, in the colours of the page. */
export const pictures = {
  test: (
    <>
      <path d="M20 24h84M32 24v88M92 24v88" stroke={ink} strokeWidth="4" fill="none" />
      <circle cx="62" cy="42" r="8" fill={ink} />
      <path d="M50 26 56 52h12l6-26M58 52v30l-6 26M66 82l6 26M58 82h8V52" stroke={ink} strokeWidth="4" fill="none" />
      <circle cx="150" cy="52" r="24" fill="none" stroke={glacier} strokeWidth="4" />
      <path d="M150 52V38M144 22h12" stroke={glacier} strokeWidth="4" />
      <path d="M126 92h60M126 104h44" stroke={soft} strokeWidth="4" />
    </>
  ),
  place: (
    <>
      <path d="M12 112 52 84 84 92 120 52 148 62 196 20v92z" fill={soft} opacity="0.35" />
      <path d="M12 112 52 84 84 92 120 52v60z" fill={glacier} />
      <path d="M12 112 52 84 84 92 120 52 148 62 196 20" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M120 52V24l20 7-20 7" fill={orange} stroke={orange} strokeWidth="3" />
      <path d="M12 112h184" stroke={ink} strokeWidth="3" />
    </>
  ),
  plan: (
    <>
      {[0, 1, 2, 3].map((i) => (
        <g key={i} transform={`translate(${14 + i * 47} 18)`}>
          <rect width="40" height="94" fill="none" stroke={ink} strokeWidth="3" />
          <path d="M8 16h24" stroke={i === 1 ? orange : glacier} strokeWidth="6" />
          <path d={i === 2 ? "M8 34h22M8 48h18" : "M8 34h22M8 48h18M8 62h24M8 76h14"} stroke={soft} strokeWidth="4" />
        </g>
      ))}
    </>
  ),
  publish: (
    <>
      <path d="M24 14h60l20 20v82H24z" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M84 14v20h20" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M38 50h52M38 66h40M38 82h48M38 98h30" stroke={soft} strokeWidth="4" />
      <rect x="124" y="36" width="66" height="66" fill="none" stroke={glacier} strokeWidth="3" />
      <path d="M124 54h66M140 28v14M174 28v14" stroke={glacier} strokeWidth="4" />
      <rect x="150" y="66" width="14" height="14" fill={orange} />
    </>
  ),
  train: (
    <>
      {[0, 1, 2].map((i) => (
        <g key={i} transform={`translate(20 ${18 + i * 34})`}>
          <rect width="24" height="24" fill={i < 2 ? glacier : "none"} stroke={glacier} strokeWidth="3" />
          {i < 2 && (
            <path d="m6 12 5 6 8-12" fill="none" stroke="var(--mui-palette-background-paper)" strokeWidth="4" />
          )}
          <path d="M38 8h80M38 18h52" stroke={soft} strokeWidth="4" />
          <rect
            x="134"
            width={42}
            height="24"
            fill={i === 2 ? orange : "none"}
            stroke={i === 2 ? orange : soft}
            strokeWidth="3"
          />
        </g>
      ))}
    </>
  ),
  decide: (
    <>
      <path d="M22 34 12 18v32z" fill={orange} stroke={orange} strokeWidth="3" transform="translate(8 -4)" />
      <path d="M44 22h120M44 34h84" stroke={ink} strokeWidth="5" />
      <rect x="44" y="44" width="46" height="18" fill={orange} />
      <rect x="98" y="44" width="38" height="18" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M14 76h182M14 100h182" stroke={soft} strokeWidth="2" />
      <path d="M44 88h104M44 112h86" stroke={soft} strokeWidth="5" />
    </>
  ),
} as const;

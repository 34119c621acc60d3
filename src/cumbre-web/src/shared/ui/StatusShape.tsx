import { say } from "../../words/ui";

export type Status = "won" | "training" | "ahead" | "locked" | "pending" | "caution" | "stop";

const label: Record<Status, string> = {
  won: "won",
  training: "training",
  ahead: "ahead",
  locked: "locked",
  pending: say("waitsOnTheCoach"),
  caution: "caution",
  stop: "stop",
};

const glacier = "var(--mui-palette-primary-main)";
const ink3 = "var(--mui-palette-ink3)";

const shape: Record<Status, React.ReactNode> = {
  won: <rect x="1" y="1" width="12" height="12" fill={glacier} />,
  training: (
    <>
      <rect x="1.75" y="1.75" width="10.5" height="10.5" fill="none" stroke={glacier} strokeWidth="1.5" />
      <rect x="1" y="7" width="12" height="6" fill={glacier} />
    </>
  ),
  ahead: <rect x="1.75" y="1.75" width="10.5" height="10.5" fill="none" stroke={ink3} strokeWidth="1.5" />,
  locked: (
    <>
      <rect x="4.75" y="1.75" width="7.5" height="10.5" fill="none" stroke={ink3} strokeWidth="1.5" />
      <rect x="0" y="1" width="2.25" height="12" fill={ink3} />
    </>
  ),
  pending: (
    <>
      <path d="M3 0v14" stroke="var(--mui-palette-text-primary)" strokeWidth="1.75" />
      <path d="M3.9 .6h9.6L10.4 4l3.1 3.4H3.9z" fill="var(--mui-palette-alpenMark)" />
    </>
  ),
  caution: (
    <>
      <path d="M7 .8 13.6 13H.4z" fill="var(--mui-palette-cautionMark)" />
      <path d="M7 5v4M7 10v1.6" stroke="var(--mui-palette-background-paper)" strokeWidth="1.6" />
    </>
  ),
  stop: (
    <>
      <path d="M4.1 0h5.8L14 4.1v5.8L9.9 14H4.1L0 9.9V4.1z" fill="var(--mui-palette-error-main)" />
      <rect x="3.4" y="6" width="7.2" height="2" fill="var(--mui-palette-background-paper)" />
    </>
  ),
};

/** The seven shapes of a status; never told by colour alone. An empty title: the words stand beside it. */
export function StatusShape({ status, title }: { status: Status; title?: string }) {
  return (
    <svg
      width="14"
      height="14"
      viewBox="0 0 14 14"
      {...(title === "" ? { "aria-hidden": true } : { role: "img", "aria-label": title ?? label[status] })}
      style={{ flex: "none", display: "inline-block", verticalAlign: -2 }}
    >
      {shape[status]}
    </svg>
  );
}

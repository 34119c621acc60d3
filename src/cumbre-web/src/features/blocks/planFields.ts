import { say } from "../../words/blocks";

/** The structured plan of a line as the server sends it. */
export interface Plan {
  [field: string]: unknown;
  method: string;
  load?: LoadField | null;
  effort?: { to: string; reps?: number };
  tempo?: { lowering: number; bottom: number; lifting?: number | null; top: number };
  pause?: { seconds: number; place: string };
  restSeconds?: number;
  sides?: string;
  gap?: { count: number; unit: string };
  loads?: { value: number; unit: string }[];
}

export interface LoadField {
  by: string;
  entry?: { value: number; unit: string };
  percent?: number;
  count?: number;
  name?: string;
}

export function tempoText(t: NonNullable<Plan["tempo"]>) {
  return `${t.lowering}-${t.bottom}-${t.lifting ?? "X"}-${t.top}`;
}

const signed = (n: number) => (n > 0 ? `+${n}` : String(n));

/** A load as it stands on the line, without the @. */
export function loadText(load: LoadField | null | undefined): string {
  if (!load) return "";
  switch (load.by) {
    case "added":
      return `${signed(load.entry!.value)} ${load.entry!.unit}`;
    case "e1rm":
      return `${load.percent} % e1RM`;
    case "bm":
      return `${signed(load.percent!)} % bm`;
    case "band":
      return say("band", { value: load.entry!.value, unit: load.entry!.unit });
    case "feet":
      return "feet";
    case "counted":
      return `${load.count} ${load.name}`;
    default:
      return "";
  }
}

/** The load that a text of the form means; null: none; undefined: it cannot be read. */
export function clearLoad(text: string): LoadField | null | undefined {
  const t = text.trim().replace(",", ".").replace("−", "-");
  if (t === "") return null;
  if (/^feet$/i.test(t)) return { by: "feet" };
  const number = "([+-]?\\d+(?:\\.\\d+)?)";
  const is = (pattern: string) => new RegExp(`^${pattern}$`, "i").exec(t);
  let m = is(`band\\s*${number}\\s*(kg|lb)`);
  if (m) return { by: "band", entry: { value: Number(m[1]), unit: m[2]!.toLowerCase() } };
  m = is(`${number}\\s*%\\s*e1rm`);
  if (m) return { by: "e1rm", percent: Number(m[1]) };
  m = is(`${number}\\s*%\\s*bm`);
  if (m) return { by: "bm", percent: Number(m[1]) };
  m = is(`${number}\\s*(kg|lb)?`);
  if (m) return { by: "added", entry: { value: Number(m[1]), unit: (m[2] ?? "kg").toLowerCase() } };
  m = is("(\\d+)\\s+([a-z]{2,})");
  return m ? { by: "counted", count: Number(m[1]), name: m[2]!.toLowerCase() } : undefined;
}

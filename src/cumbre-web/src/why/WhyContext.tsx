import { createContext, useCallback, useContext, useMemo, useState } from "react";
import type { Explanation } from "../api/types";

/** A figure that is opened. */
export interface OpenFigure {
  /** Tells which of the figures on screen it is. */
  key: string;
  /** As it stands on screen. */
  shown: string;
  /** Whose and what. */
  subject: string;
  why: Explanation;
  /** A line beside the big figure, for instance what it was before. */
  note?: React.ReactNode;
  /** What accepting would change, or the verbs. */
  effect?: React.ReactNode;
}

interface Why {
  opened: OpenFigure | null;
  open: (figure: OpenFigure) => void;
  close: () => void;
}

const Context = createContext<Why>({ opened: null, open: () => {}, close: () => {} });

export function WhyProvider({ children }: { children: React.ReactNode }) {
  const [opened, setOpened] = useState<OpenFigure | null>(null);
  const open = useCallback((figure: OpenFigure) => setOpened((now) => (now?.key === figure.key ? null : figure)), []);
  const close = useCallback(() => setOpened(null), []);
  const value = useMemo(() => ({ opened, open, close }), [opened, open, close]);
  return <Context value={value}>{children}</Context>;
}

export function useWhy() {
  return useContext(Context);
}

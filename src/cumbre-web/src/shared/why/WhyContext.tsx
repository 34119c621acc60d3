import { createContext, useCallback, useContext, useMemo, useRef, useState } from "react";
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

/** A figure whose reasons are asked for when it is opened. */
export interface AskedFigure {
  key: string;
  ask: () => Promise<OpenFigure>;
}

interface Why {
  opened: OpenFigure | null;
  /** The figure whose reasons are on their way. */
  asking: string | null;
  open: (figure: OpenFigure | AskedFigure) => void;
  close: () => void;
}

const Context = createContext<Why>({ opened: null, asking: null, open: () => {}, close: () => {} });

export function WhyProvider({ children }: { children: React.ReactNode }) {
  const [opened, setOpened] = useState<OpenFigure | null>(null);
  const [asking, setAsking] = useState<string | null>(null);
  const wanted = useRef<string | null>(null);
  const close = useCallback(() => {
    wanted.current = null;
    setAsking(null);
    setOpened(null);
  }, []);
  const open = useCallback(
    (figure: OpenFigure | AskedFigure) => {
      if (wanted.current === figure.key) return close();
      wanted.current = figure.key;
      if (!("ask" in figure)) {
        setAsking(null);
        setOpened(figure);
        return;
      }
      setAsking(figure.key);
      const mine = () => wanted.current === figure.key;
      figure.ask().then(
        (answer) => {
          if (!mine()) return;
          setAsking(null);
          setOpened(answer);
        },
        // Gone meanwhile, or nobody answered: the figure stays as it is and can be asked again.
        () => mine() && close(),
      );
    },
    [close],
  );
  const value = useMemo(() => ({ opened, asking, open, close }), [opened, asking, open, close]);
  return <Context value={value}>{children}</Context>;
}

export function useWhy() {
  return useContext(Context);
}

import { createContext, useContext } from "react";

/** The dark page, into which sheets are put so that they are dark too. */
export const FrameContext = createContext<HTMLElement | null>(null);

export const useFrame = () => useContext(FrameContext);

import { startTransition, useEffect, useState } from "react";

/**
 * A value that follows another once it has been still for some milliseconds; the first is there at once. What hangs on it is drawn when
 * the keys leave time.
 */
export function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (Object.is(settled, value)) return;
    const timer = setTimeout(() => startTransition(() => setSettled(value)), milliseconds);
    return () => clearTimeout(timer);
  }, [settled, value, milliseconds]);
  return settled;
}

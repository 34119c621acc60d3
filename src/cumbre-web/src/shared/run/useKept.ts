import { useEffect, useState } from "react";
import { useSignedIn } from "../account/useMe";
import { device } from "./deviceHere";

interface Kept<T> {
  at: number;
  data: T;
}

/**
 * What was read, or without a signal the copy of it on this device.
 * @param data Undefined: not read yet.
 * @returns `at` is the time of the copy, in ms; null: it was read just now.
 */
export function useKept<T>(what: string, data: T | undefined) {
  const { account } = useSignedIn();
  const key = `own/${account.id}/${what}`;
  const [kept, setKept] = useState<Kept<T> | undefined>(undefined);
  useEffect(() => {
    let over = false;
    void device
      .start(account.id)
      .then(() => device.recall<Kept<T>>(key))
      .then((found) => !over && setKept(found));
    return () => {
      over = true;
    };
  }, [account.id, key]);
  useEffect(() => {
    if (data !== undefined) void device.remember(key, { at: Date.now(), data } satisfies Kept<T>);
  }, [key, data]);
  return data === undefined ? { data: kept?.data, at: kept?.at ?? null } : { data, at: null };
}

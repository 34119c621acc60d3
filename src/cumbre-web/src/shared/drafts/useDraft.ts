import { useEffect, useState } from "react";
import { useSignedIn } from "../account/useMe";
import { draftOf, type Kind, type Stored } from "./draft";

/**
 * A draft of the account that is signed in, for as long as a page shows it. What changes is drawn as urgently as whoever changes it
 * says: a line that is typed lets the page around it follow.
 * @param name Of what is edited; another name is another draft.
 */
export function useDraft<T>(name: string, stored: Stored<T>, kind: Kind<T>) {
  const { account } = useSignedIn();
  const key = `${account.id}:${name}`;
  const [draft] = useState(() => draftOf(key, stored, kind));
  const [shown, setShown] = useState(draft.snapshot);
  useEffect(() => draft.subscribe(() => setShown(draft.snapshot())), [draft]);
  // Ways to store close over what a page has rendered.
  useEffect(() => draft.renew(stored, kind));
  return { draft, ...shown };
}

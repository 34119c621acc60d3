import { useUnit } from "../account/useMe";
import { shownLine } from "./shownLine";

/** Lines as this account reads them. */
export function useRead() {
  const unit = useUnit();
  return (line: string) => shownLine(line, unit);
}

import { v7 } from "uuid";

/** An id made where the row is made, so that sending it twice is harmless. */
export function newId(): string {
  return v7();
}

import { Problem } from "../../../shared/api/client";
import { messageOf } from "../../../shared/ui/states";

/** What is wrong with the one thing that was sent. */
export const fieldMessage = (error: unknown) =>
  (error instanceof Problem ? error.fields[0]?.message : undefined) ?? messageOf(error);

import { useLayoutEffect } from "react";
import type { FieldValues, Path, UseFormReturn } from "react-hook-form";
import { Problem } from "../api/client";

/** Puts the server's field errors at their fields; `map` renames a server path to a field of the form. */
export function useServerErrors<T extends FieldValues, C, O>(
  form: UseFormReturn<T, C, O>,
  error: unknown,
  map: Record<string, string> = {},
) {
  const { setError } = form;
  // Before anything is painted: a page that tells what belongs to no field would show the message for one frame.
  useLayoutEffect(() => {
    if (!(error instanceof Problem)) return;
    for (const field of error.fields) setError((map[field.path] ?? field.path) as Path<T>, { message: field.message });
    // The map is written in place by every caller and never changes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [error, setError]);
}

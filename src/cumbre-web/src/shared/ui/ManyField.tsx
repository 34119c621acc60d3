import Autocomplete from "@mui/material/Autocomplete";
import type { SxProps } from "@mui/material/styles";
import { useMemo } from "react";
import { Field } from "./Field";

interface Props<T extends string> {
  label: string;
  options: T[];
  chosen: readonly T[];
  nameOf: (option: T) => string;
  onChange: (chosen: T[]) => void;
  problem?: string | undefined;
  help?: React.ReactNode;
  /** The list stays open after a choice, where several are taken in a row. */
  stayOpen?: boolean;
  sx?: SxProps;
}

/**
 * Several of a list, each found by its name. What is being typed stays while the page around it is drawn again: the
 * component below forgets it with every new array, also one of the same choices.
 */
export function ManyField<T extends string>(props: Props<T>) {
  const { label, options, chosen, nameOf, onChange, problem, help, stayOpen = false, sx = {} } = props;
  const content = JSON.stringify(chosen);
  const value = useMemo(() => JSON.parse(content) as T[], [content]);
  return (
    <Autocomplete
      multiple
      disableCloseOnSelect={stayOpen}
      options={options}
      value={value}
      getOptionLabel={nameOf}
      getOptionKey={(option) => option}
      onChange={(_, next) => onChange(next)}
      sx={sx}
      renderInput={(params) => <Field {...params} label={label} problem={problem} help={help} />}
    />
  );
}

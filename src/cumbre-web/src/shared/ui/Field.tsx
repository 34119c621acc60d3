import TextField, { type TextFieldProps } from "@mui/material/TextField";

type Props = Omit<TextFieldProps, "error" | "helperText"> & {
  /** What is wrong with what stands in it. */
  problem: string | undefined;
  help?: React.ReactNode;
};

/** A field of a form: under it stands what is wrong with it, else what helps to fill it. */
export function Field({ problem, help, ...field }: Props) {
  return <TextField {...field} error={problem !== undefined} helperText={problem ?? help} />;
}

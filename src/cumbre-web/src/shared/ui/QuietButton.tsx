import Link, { type LinkProps } from "@mui/material/Link";

/** A verb within a text, of its size and colour. */
export function QuietButton(props: Omit<LinkProps<"button">, "component" | "type">) {
  return (
    <Link
      {...props}
      component="button"
      type="button"
      variant="inherit"
      color="inherit"
      underline="always"
      sx={{ verticalAlign: "baseline" }}
    />
  );
}

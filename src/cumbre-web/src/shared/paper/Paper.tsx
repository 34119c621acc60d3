import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Link, useSearchParams } from "react-router";
import "./sheets.css";
import { say } from "../../words/paper";

const sizes = { a4: "A4", letter: "letter" } as const;

/** What is printed, black on white, under the tools that choose it; the tools stay off the paper. */
export function Paper({
  back,
  tools,
  children,
}: {
  /** Where the sheet was opened from. */
  back: string;
  tools?: React.ReactNode;
  children: React.ReactNode;
}) {
  const [search, setSearch] = useSearchParams();
  const paper = search.get("paper") === "letter" ? "letter" : "a4";
  return (
    <main className="sheets">
      <GlobalStyles styles={{ "@page": { size: sizes[paper] } }} />
      <div className="tools">
        <Button variant="contained" color="secondary" onClick={() => window.print()}>
          {say("print")}
        </Button>
        {tools}
        <TextField
          select
          label={say("paper")}
          value={paper}
          onChange={(e) =>
            setSearch(
              (now) => {
                now.set("paper", e.target.value);
                return now;
              },
              { replace: true },
            )
          }
          sx={{ width: 110 }}
        >
          <MenuItem value="a4">A4</MenuItem>
          <MenuItem value="letter">{say("letter")}</MenuItem>
        </TextField>
        <Button component={Link} to={back}>
          {say("back")}
        </Button>
      </div>
      {children}
    </main>
  );
}

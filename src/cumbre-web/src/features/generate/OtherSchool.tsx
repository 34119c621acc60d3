import Box from "@mui/material/Box";
import LinearProgress from "@mui/material/LinearProgress";
import ListSubheader from "@mui/material/ListSubheader";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { GenerateRequest, SchoolChoice } from "../../shared/api/types";
import { schoolsQuery } from "../../shared/ladders/useLadders";
import { Failed } from "../../shared/ui/states";
import { Differences } from "./Findings";
import { useUnder } from "../../shared/generation/queries";
import { say } from "../../words/generate";

/** The same wish under another choice of one school, and what would be otherwise. */
export function OtherSchool({
  athleteId,
  blockId,
  wish,
  own,
}: {
  athleteId: string;
  blockId: string;
  wish: GenerateRequest;
  /** The athlete's own choices; the rest are the club's. */
  own: SchoolChoice[];
}) {
  const schools = useQuery(schoolsQuery);
  const [chosen, setChosen] = useState("");
  const [question = "", choice = ""] = chosen.split("/");
  const under = useUnder(athleteId, blockId, chosen ? { wish, question, choice } : null);
  if (!schools.data) return null;
  const inForce = (s: { slug: string; club: string }) => own.find((o) => o.question === s.slug)?.choice ?? s.club;
  const answer = under.data;
  return (
    <Box component="section" aria-label={say("underAnotherSchool")} sx={{ mt: 5 }}>
      <TextField
        select
        label={say("underAnotherSchool")}
        value={chosen}
        onChange={(e) => setChosen(e.target.value)}
        sx={{ width: { xs: "100%", sm: 420 } }}
      >
        <MenuItem value="">{say("asItIs")}</MenuItem>
        {schools.data.flatMap((s) => [
          <ListSubheader key={s.slug} sx={{ lineHeight: "28px", whiteSpace: "normal", pointerEvents: "none" }}>
            {s.question}
          </ListSubheader>,
          ...s.choices
            .filter((c) => c.slug !== inForce(s))
            .map((c) => (
              <MenuItem key={c.slug} value={`${s.slug}/${c.slug}`}>
                {c.name}
              </MenuItem>
            )),
        ])}
      </TextField>
      {under.isFetching && <LinearProgress aria-label={say("generatingTheOther")} sx={{ mt: 2, height: 2 }} />}
      {under.isError && <Failed error={under.error} retry={() => void under.refetch()} />}
      {chosen && answer && !under.isError && (
        <Box sx={{ mt: 3, opacity: under.isPlaceholderData ? 0.6 : 1 }}>
          <Typography variant="body2" sx={{ mb: 2 }}>
            {answer.differences.length === 0
              ? say("changesNothingInThisBlock", { choice: answer.choice })
              : say("text", { differences: answer.differences.length, question: answer.question })}
          </Typography>
          {answer.differences.length > 0 && (
            <Differences items={answer.differences} now={answer.now} choice={answer.choice} />
          )}
        </Box>
      )}
    </Box>
  );
}

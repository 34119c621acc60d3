import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useSignedIn } from "../../shared/account/useMe";
import type { School } from "../../shared/api/types";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { schoolsQuery, useSetSchool } from "../../shared/ladders/useLadders";
import { say } from "../../words/ladders";

/** Where practitioners disagree: what each school asks, why one would choose it, and what the club chose. */
export function Schools() {
  const schools = useQuery(schoolsQuery);
  const set = useSetSchool();
  const { isClub } = useSignedIn();
  if (schools.isPending) return <Loading />;
  if (schools.isError) return <Failed error={schools.error} retry={() => void schools.refetch()} />;
  return (
    <>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 4, maxWidth: 720 }}>
        {say("theseAreTheClubsChoicesAnAthletes")}
      </Typography>
      {set.error && (
        <Typography color="error" role="alert" sx={{ mb: 3 }}>
          {messageOf(set.error)}
        </Typography>
      )}
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(min(380px, 100%), 1fr))", gap: 4 }}>
        {schools.data.map((s) => (
          <Question
            key={s.slug}
            school={s}
            choose={isClub ? (choice) => set.mutate({ question: s.slug, choice }) : null}
          />
        ))}
      </Box>
    </>
  );
}

function Question({ school, choose }: { school: School; choose: ((choice: string) => void) | null }) {
  return (
    <Box
      component="section"
      sx={(t) => ({ bgcolor: "background.paper", border: `1px solid ${t.vars.palette.divider}`, p: 3 })}
    >
      <Typography variant="h3" component="h2" id={`question-${school.slug}`} sx={{ mb: 1 }}>
        {school.question}
      </Typography>
      <RadioGroup value={school.club} onChange={(_, v) => choose?.(v)} aria-labelledby={`question-${school.slug}`}>
        {school.choices.map((c) => (
          <FormControlLabel
            key={c.slug}
            value={c.slug}
            disabled={choose === null && c.slug !== school.club}
            control={<Radio size="small" sx={{ py: 0.5 }} />}
            sx={{ alignItems: "flex-start", mr: 0, mb: 1 }}
            label={
              <Box sx={{ fontSize: 13, lineHeight: "17px", pt: 1 }}>
                <b>{c.name}</b>
                <Box>{c.what}</Box>
                <Box sx={{ color: "text.secondary" }}>{c.why}</Box>
              </Box>
            }
          />
        ))}
      </RadioGroup>
    </Box>
  );
}

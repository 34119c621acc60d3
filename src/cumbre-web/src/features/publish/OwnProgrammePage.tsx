import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { ownProgrammeQuery } from "../../shared/blocks/publishing";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { dayFull, daysBetween, listed, moment } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/publish";

const daysOfAWeek = 7;

/** An athlete's own programme: what their coach has published. */
export default function OwnProgrammePage() {
  const { athleteId = "" } = useParams();
  const { today } = useSignedIn();
  const blocks = useQuery(ownProgrammeQuery(athleteId));
  return (
    <Box sx={{ pb: 6 }}>
      <Typography variant="h1" sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        {say("programme")}
      </Typography>
      <AthleteTabs athleteId={athleteId} />
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 720 }}>
        {blocks.isPending && <Loading />}
        {blocks.isError && <Failed error={blocks.error} retry={() => void blocks.refetch()} />}
        {blocks.data?.length === 0 && (
          <Empty title={say("nothingPublishedYet")}>{say("yourCoachPublishesItHere")}</Empty>
        )}
        <Rows label={say("programme")}>
          {blocks.data?.map((b) => {
            const week = Math.floor(daysBetween(b.start, today) / daysOfAWeek) + 1;
            const now = week >= 1 && week <= b.weeks ? week : null;
            return (
              <AccountRow
                key={b.id}
                title={b.name}
                note={listed(
                  say("weeksFrom", { weeks: b.weeks, day: dayFull(b.start) }),
                  now !== null && say("nowInWeek", { week: now }),
                  say("publishedOn", { number: b.number, day: moment(b.at) }),
                  b.note,
                )}
              >
                <Button
                  size="small"
                  component={Link}
                  to={`/athletes/${athleteId}/blocks/${b.id}/print?week=${now ?? 1}`}
                  aria-label={say("openBlock", { name: b.name })}
                >
                  {say("open")}
                </Button>
              </AccountRow>
            );
          })}
        </Rows>
      </Box>
    </Box>
  );
}

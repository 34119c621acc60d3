import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useUnit } from "../../shared/account/useMe";
import type { LeftOut, Notice, RegeneratedItem } from "../../shared/api/types";
import { dayWeek } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { isGrave, leftOutText, noticeText, regeneratedKinds, wayOn } from "../../shared/generation/wording";
import { useRead } from "../../shared/notation/useRead";
import { say } from "../../words/generate";

/** What the coach must know beside the items, each with the way on. */
export function Notices({ notices, ...whose }: { notices: Notice[]; athleteId: string; atHome: boolean }) {
  const unit = useUnit();
  if (notices.length === 0) return null;
  return (
    <Box component="ul" aria-label={say("toKnow")} sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gap: 2 }}>
      {notices.map((n, i) => {
        const way = wayOn(n, whose);
        return (
          <Box component="li" key={i} sx={{ display: "flex", gap: 2, fontSize: 13, lineHeight: "18px" }}>
            <Box sx={{ pt: "3px" }}>
              <StatusShape status={isGrave(n) ? "stop" : "caution"} />
            </Box>
            <span>
              {noticeText(n, unit)} {way && <Link to={way.to}>{way.name}</Link>}
            </span>
          </Box>
        );
      })}
    </Box>
  );
}

/** What the minutes did not hold, in the order in which it gave way. */
export function LeftOutList({ items }: { items: LeftOut[] }) {
  if (items.length === 0) return null;
  return (
    <Box>
      <Typography variant="h3" component="h2">
        {say("leftOutForTheMinutes")}
      </Typography>
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 4, fontSize: 13, lineHeight: "18px" }}>
        {items.map((l, i) => (
          <li key={i}>{leftOutText(l)}</li>
        ))}
      </Box>
    </Box>
  );
}

/** Only what generating again changes, day by day. */
export function Changes({ items }: { items: RegeneratedItem[] }) {
  const read = useRead();
  if (items.length === 0) return <Typography>{say("nothingChangesTheBlockIsAsIt")}</Typography>;
  const days = [...new Set(items.map((i) => i.day))];
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      {days.map((day) => (
        <Box key={day} component="section" aria-label={dayWeek(day)}>
          <Typography variant="h3" component="h2">
            {dayWeek(day)}
          </Typography>
          <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 1, p: 0 }}>
            {items
              .filter((i) => i.day === day)
              .map((i) => (
                <Box
                  component="li"
                  key={i.item}
                  sx={{
                    display: "grid",
                    gridTemplateColumns: { xs: "1fr", sm: "110px minmax(0,1fr)" },
                    columnGap: 3,
                    py: 1.5,
                    borderTop: 1,
                    borderColor: "divider",
                    fontSize: 13,
                    lineHeight: "18px",
                  }}
                >
                  <Box sx={{ fontWeight: 600 }}>{regeneratedKinds[i.kind]}</Box>
                  <Box>
                    {i.lineBefore !== null && (
                      <Box sx={{ color: i.line === null || i.kind === "Rewritten" ? "text.secondary" : "inherit" }}>
                        {i.kind === "Rewritten"
                          ? say("was", { movement: i.movementBefore ?? "", line: read(i.lineBefore) })
                          : `${i.movementBefore}: ${read(i.lineBefore)}`}
                      </Box>
                    )}
                    {i.line !== null && (
                      <Box sx={{ color: i.kind === "KeptByHand" ? "text.secondary" : "inherit" }}>
                        {i.kind === "KeptByHand"
                          ? say("wouldBe", { movement: i.movement ?? "", line: read(i.line) })
                          : `${i.movement}: ${read(i.line)}`}
                      </Box>
                    )}
                  </Box>
                </Box>
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** Two blocks side by side where they differ, each column under the choice of the school it comes from. */
export function Differences({ items, now, choice }: { items: RegeneratedItem[]; now: string; choice: string }) {
  const read = useRead();
  const days = [...new Set(items.map((i) => i.day))];
  return (
    <Box
      component="table"
      aria-label={choice}
      sx={(t) => ({
        width: "100%",
        borderCollapse: "collapse",
        tableLayout: "fixed",
        bgcolor: "background.paper",
        border: `1px solid ${t.vars.palette.line2}`,
        fontSize: 13,
        lineHeight: "18px",
        "& th, & td": { textAlign: "left", verticalAlign: "top", px: 3, py: 1.5 },
        "& td": { borderTop: `1px solid ${t.vars.palette.divider}` },
      })}
    >
      <thead>
        <tr>
          <th scope="col">{now}</th>
          <th scope="col">{choice}</th>
        </tr>
      </thead>
      {days.map((day) => (
        <tbody key={day}>
          <tr>
            <Box component="th" scope="rowgroup" colSpan={2} sx={{ color: "text.secondary", fontWeight: 600 }}>
              {dayWeek(day)}
            </Box>
          </tr>
          {items
            .filter((i) => i.day === day)
            .map((i) => (
              <tr key={i.item}>
                <td>{i.lineBefore === null ? "–" : `${i.movementBefore}: ${read(i.lineBefore)}`}</td>
                <td>{i.line === null ? "–" : `${i.movement}: ${read(i.line)}`}</td>
              </tr>
            ))}
        </tbody>
      ))}
    </Box>
  );
}

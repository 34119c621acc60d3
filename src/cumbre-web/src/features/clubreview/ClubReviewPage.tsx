import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Link from "@mui/material/Link";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link as To } from "react-router";
import { api, ask } from "../../shared/api/client";
import type { ClubReview } from "../../shared/api/types";
import { dayShort } from "../../shared/ui/format";
import { Section } from "../../shared/ui/Section";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { say } from "../../words/clubreview";

/** What the whole club shows: where it stands, who is missing, what hurts, which gates tell. */
export default function ClubReviewPage() {
  const review = useQuery({
    queryKey: ["review"],
    queryFn: ({ signal }) => ask(api.GET("/api/review", { signal })),
  });
  if (review.isError && !review.data) return <FailedPage error={review.error} retry={() => void review.refetch()} />;
  return (
    <Box sx={{ pb: 6 }}>
      <Box sx={{ px: { xs: 4, sm: 6 }, pt: 4 }}>
        <Typography variant="h1">{say("clubReview")}</Typography>
        {review.data && (
          <Typography color="textSecondary">{say("about", { athletes: review.data.athletes })}</Typography>
        )}
        {review.isPending && <Loading />}
        {review.data?.athletes === 0 && <Empty title={say("nobody")}>{say("nobodyHelp")}</Empty>}
      </Box>
      {review.data && review.data.athletes > 0 && (
        <>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 1fr) 320px" } }}>
            <Gates review={review.data} />
            <Absent review={review.data} />
          </Box>
          <Pain review={review.data} />
          <Standing review={review.data} />
        </>
      )}
    </Box>
  );
}

function Absent({ review }: { review: ClubReview }) {
  return (
    <Section title={say("absent")} note={say("absentNote", { days: review.absentAfter })}>
      {review.absent.length === 0 && <Typography color="textSecondary">{say("noneAbsent")}</Typography>}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, lineHeight: "26px" }}>
        {review.absent.map((a) => (
          <li key={a.id}>
            <Link component={To} to={`/athletes/${a.id}`}>
              {a.days === null ? say("never", { name: a.name }) : say("since", { name: a.name, days: a.days })}
            </Link>
          </li>
        ))}
      </Box>
    </Section>
  );
}

/** Where no gate has enough on either side, so many are shown before they are asked for. */
const firstFew = 6;

function Gates({ review }: { review: ClubReview }) {
  const [all, setAll] = useState(false);
  const telling = review.gates.filter((g) => g.verdict !== "TooFew");
  const first = telling.length > 0 ? telling : review.gates.slice(0, firstFew);
  const shown = all ? review.gates : first;
  const few = review.gates.length - first.length;
  return (
    <Section title={say("gates")} note={say("gatesNote")}>
      {review.gates.length === 0 ? (
        <Typography color="textSecondary">{say("noGates")}</Typography>
      ) : (
        <Box sx={{ overflowX: "auto" }}>
          <Table size="small" aria-label={say("gates")}>
            <TableHead>
              <TableRow>
                <TableCell>{say("step")}</TableCell>
                <TableCell>{say("gate")}</TableCell>
                <TableCell>{say("met")}</TableCell>
                <TableCell>{say("unmet")}</TableCell>
                <TableCell align="right">{say("untested")}</TableCell>
                <TableCell>{say("verdict")}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {shown.map((g, i) => (
                <TableRow key={i}>
                  <TableCell component="th" scope="row">
                    <Link
                      component={To}
                      to={`/ladders/${g.ladder}`}
                      aria-label={say("openGate", { ladder: g.ladderName })}
                    >
                      {g.ladderName}
                    </Link>
                    <Box sx={{ color: "text.secondary" }}>{g.step}</Box>
                  </TableCell>
                  <TableCell sx={{ minWidth: 180 }}>{g.gate}</TableCell>
                  <TableCell sx={{ whiteSpace: "nowrap" }}>{shareOf(g.met)}</TableCell>
                  <TableCell sx={{ whiteSpace: "nowrap" }}>{shareOf(g.unmet)}</TableCell>
                  <TableCell align="right">{g.untested}</TableCell>
                  <TableCell sx={{ fontWeight: g.verdict === "TooFew" ? 400 : 600 }}>{say(g.verdict)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      {few > 0 && !all && (
        <Button size="small" onClick={() => setAll(true)} sx={{ mt: 2 }}>
          {say("tooFewHidden", { count: few })}
        </Button>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {say("gatesHelp", { least: review.leastOnASide })}
      </Typography>
    </Section>
  );
}

const shareOf = (share: ClubReview["gates"][number]["met"]) =>
  share.count === 0 ? say("none") : say("wonOf", { achieved: share.achieved, count: share.count });

function Pain({ review }: { review: ClubReview }) {
  return (
    <Section title={say("pain")} note={say("painNote", { level: review.painFrom, from: dayShort(review.from) })}>
      {review.pain.length === 0 ? (
        <Typography color="textSecondary">{say("noPain")}</Typography>
      ) : (
        <Box sx={{ overflowX: "auto", maxWidth: 860 }}>
          <Table size="small" aria-label={say("pain")}>
            <TableHead>
              <TableRow>
                <TableCell>{say("place")}</TableCell>
                <TableCell>{say("movement")}</TableCell>
                <TableCell align="right">{say("athletes")}</TableCell>
                <TableCell align="right">{say("days")}</TableCell>
                <TableCell align="right">{say("worst")}</TableCell>
                <TableCell>{say("last")}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {review.pain.map((p) => (
                <TableRow key={`${p.place} ${p.movement}`}>
                  <TableCell component="th" scope="row">
                    {p.place}
                  </TableCell>
                  <TableCell>
                    <Link component={To} to={`/logbook?movement=${p.movement}&pain=yes`}>
                      {p.movementName}
                    </Link>
                  </TableCell>
                  <TableCell align="right">{p.athletes}</TableCell>
                  <TableCell align="right">{p.days}</TableCell>
                  <TableCell align="right">{p.worst}</TableCell>
                  <TableCell>{dayShort(p.last)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {say("painHelp")}
      </Typography>
    </Section>
  );
}

function Standing({ review }: { review: ClubReview }) {
  return (
    <Section title={say("standing")} note={say("standingNote")}>
      <Box
        sx={{
          display: "grid",
          gap: 5,
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            md: "repeat(2, minmax(0, 1fr))",
            xl: "repeat(3, minmax(0, 1fr))",
          },
        }}
      >
        {review.ladders.map((l) => (
          <Box key={l.slug} component="section" aria-label={l.name}>
            <Typography variant="h3" sx={{ fontSize: 14, fontWeight: 600, pb: 1 }}>
              <Link component={To} to={`/ladders/${l.slug}`}>
                {l.name}
              </Link>
            </Typography>
            <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {[...l.steps].reverse().map((s) => (
                <Box
                  component="li"
                  key={s.step}
                  sx={{
                    display: "grid",
                    gridTemplateColumns: "150px minmax(0, 1fr) 90px",
                    gap: 2,
                    py: "2px",
                    borderTop: 1,
                    borderColor: "divider",
                    color: s.training.length === 0 ? "text.secondary" : undefined,
                  }}
                >
                  <span>{s.step}</span>
                  <span>
                    {s.training.map((a, i) => (
                      <span key={a.id}>
                        {i > 0 && ", "}
                        <Link component={To} to={`/athletes/${a.id}/ladders?ladder=${l.slug}`}>
                          {a.name}
                        </Link>
                      </span>
                    ))}
                  </span>
                  <Box component="span" sx={{ textAlign: "right", color: "text.secondary", fontSize: 13 }}>
                    {s.won > 0 && say("won", { won: s.won })}
                  </Box>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

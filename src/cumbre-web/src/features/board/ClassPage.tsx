import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { deskQuery } from "../../shared/decisions/useDesk";
import { announce } from "../../shared/ui/announce";
import { Empty, Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/board";
import { boardQuery, usePutBoard } from "./useBoard";

/** From here, on a tablet, a class is run: who stands on the board and where, and a press to log for each. */
export default function ClassPage() {
  const desk = useQuery(deskQuery);
  const board = useQuery(boardQuery);
  const put = usePutBoard();
  if (desk.isPending || board.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (desk.isError || board.isError)
    return (
      <Failed error={(desk.error ?? board.error)!} retry={() => void Promise.all([desk.refetch(), board.refetch()])} />
    );
  const sessions = desk.data.sessions.filter((s) => s.status !== "Done");
  const { chosen, columns, stations } = board.data;
  const stationOf = (session: string) => columns.find((c) => c.session === session)?.station;
  const own = (session: string) => {
    const station = stationOf(session);
    return chosen.includes(session) && station && stations.includes(station) ? station : "";
  };
  const save = (places: { session: string; station: string | null }[]) =>
    put.mutate({ places }, { onSuccess: () => announce(say("saved")) });
  const placesNow = () => chosen.map((session) => ({ session, station: own(session) || null }));
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 880 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          {say("class")}
        </Typography>
        <Button component={Link} to="/board" variant="outlined" sx={{ minHeight: 44 }}>
          {say("openBoard")}
        </Button>
      </Box>
      <Typography color="textSecondary" sx={{ mt: 1, mb: 3 }}>
        {say("classHelp")} {chosen.length === 0 && say("everybody")}
      </Typography>
      {put.isError && (
        <Typography color="error" role="alert">
          {messageOf(put.error)}
        </Typography>
      )}
      {sessions.length === 0 ? (
        <Empty title={say("none")}>{say("noneHelp")}</Empty>
      ) : (
        <Box
          component="ul"
          aria-label={say("class")}
          sx={{ listStyle: "none", m: 0, p: 0, borderTop: 1, borderColor: "text.primary" }}
        >
          {sessions.map((s) => (
            <Box
              component="li"
              key={s.id}
              sx={{
                display: "flex",
                gap: 3,
                alignItems: "center",
                flexWrap: "wrap",
                py: 2,
                borderBottom: 1,
                borderColor: "divider",
              }}
            >
              <FormControlLabel
                sx={{ minWidth: 220, mr: "auto", minHeight: 48 }}
                control={
                  <Checkbox
                    checked={chosen.includes(s.id)}
                    slotProps={{ input: { "aria-label": `${s.athleteName}, ${say("onBoard")}` } }}
                    onChange={(_, on) =>
                      save(
                        on
                          ? [...placesNow(), { session: s.id, station: null }]
                          : placesNow().filter((p) => p.session !== s.id),
                      )
                    }
                  />
                }
                label={s.athleteName}
              />
              <TextField
                select
                size="small"
                label={say("station")}
                value={own(s.id)}
                disabled={!chosen.includes(s.id)}
                onChange={(e) =>
                  save(placesNow().map((p) => (p.session === s.id ? { ...p, station: e.target.value || null } : p)))
                }
                sx={{ width: 200 }}
                slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
              >
                <MenuItem value="">{say("byExercise")}</MenuItem>
                {stations.map((name) => (
                  <MenuItem key={name} value={name}>
                    {name}
                  </MenuItem>
                ))}
              </TextField>
              <Button
                component={Link}
                to={`/run/${s.athleteId}/${s.id}`}
                variant="outlined"
                sx={{ minHeight: 48 }}
                aria-label={`${say("log")} ${s.athleteName}`}
              >
                {say("log")}
              </Button>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

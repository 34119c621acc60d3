import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { dayShort } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { testDaysQuery } from "./queries";
import { say } from "../../words/testdays";

/** Evenings on which a group was tested. */
export default function TestDaysPage() {
  const days = useQuery(testDaysQuery);
  const { today } = useSignedIn();
  const add = (
    <Button component={Link} to="/test-days/new" variant="contained" color="secondary">
      {say("newTestDay")}
    </Button>
  );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1" sx={{ mr: "auto" }}>
          {say("testDays")}
        </Typography>
        {days.data && days.data.length > 0 && add}
      </Box>
      {days.isPending && <Loading />}
      {days.isError && <Failed error={days.error} retry={() => void days.refetch()} />}
      {days.data?.length === 0 && (
        <Empty title={say("noTestDayYet")} action={add}>
          {say("chooseWhoComesTheFewestTestsThat")}
        </Empty>
      )}
      {days.data && days.data.length > 0 && (
        <Table aria-label={say("testDays")} sx={{ maxWidth: 760 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("name")}</TableCell>
              <TableCell>{say("day")}</TableCell>
              <TableCell align="right">{say("athletes")}</TableCell>
              <TableCell align="right">{say("tests")}</TableCell>
              <TableCell align="right">{say("results")}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {days.data.map((d) => (
              <TableRow key={d.id} hover>
                <TableCell>
                  <Link to={`/test-days/${d.id}`}>{d.name}</Link>
                </TableCell>
                <TableCell>{dayShort(d.day, today)}</TableCell>
                <TableCell align="right">{d.athletes}</TableCell>
                <TableCell align="right">{d.tests}</TableCell>
                <TableCell align="right">{d.results}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ImportedFile } from "../../shared/api/types";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { moment } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/exchange";
import { listOf } from "./counts";
import { filesQuery, useUndoImport } from "./queries";

/** The files that came in, each of which can be taken back as a whole. */
export function Files() {
  const files = useQuery(filesQuery);
  const undo = useUndoImport();
  const [asked, setAsked] = useState<ImportedFile | null>(null);
  return (
    <Box component="section" aria-label={say("filesTitle")} sx={{ pt: 6, maxWidth: 960 }}>
      <Typography variant="h2" sx={{ pb: 2 }}>
        {say("filesTitle")}
      </Typography>
      <Typography role="status" variant="body2">
        {undo.data && say("undone", { rows: undo.data.rows, athletes: undo.data.athletes })}{" "}
        {undo.data && undo.data.athletesKept > 0 && say("undoneKept", { kept: undo.data.athletesKept })}
      </Typography>
      {undo.isError && (
        <Typography color="error" role="alert">
          {messageOf(undo.error)}
        </Typography>
      )}
      {files.isPending && <Loading rows={2} />}
      {files.isError && <Failed error={files.error} retry={() => void files.refetch()} />}
      {files.data?.length === 0 && <Typography color="textSecondary">{say("noFiles")}</Typography>}
      {files.data && files.data.length > 0 && (
        <Box sx={{ overflowX: "auto" }}>
          <Table size="small">
            <TableHead>
              <TableRow>
                <TableCell>{say("file")}</TableCell>
                <TableCell>{say("when")}</TableCell>
                <TableCell>{say("by")}</TableCell>
                <TableCell>{say("brought")}</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {files.data.map((f) => (
                <TableRow key={f.id}>
                  <TableCell component="th" scope="row">
                    {f.name}
                  </TableCell>
                  <TableCell>{moment(f.at)}</TableCell>
                  <TableCell>{f.by ?? say("somebody")}</TableCell>
                  <TableCell>{listOf(f.result.added, f.result.newAthletes, true) || say("addedNothing")}</TableCell>
                  <TableCell align="right">
                    {f.isUndone ? (
                      <Typography variant="body2" color="textSecondary">
                        {say("takenBack")}
                      </Typography>
                    ) : (
                      <Button size="small" onClick={() => setAsked(f)}>
                        {say("takeBack")}
                      </Button>
                    )}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      {asked && (
        <ConfirmDialog
          title={say("takeBackTitle", { name: asked.name })}
          verb={say("takeBack")}
          busy={undo.isPending}
          onClose={() => setAsked(null)}
          onConfirm={() => undo.mutate(asked.id, { onSettled: () => setAsked(null) })}
        >
          {say(asked.kind === "Archive" ? "takeBackArchive" : "takeBackHelp")}
        </ConfirmDialog>
      )}
    </Box>
  );
}

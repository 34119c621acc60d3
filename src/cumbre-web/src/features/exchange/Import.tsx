import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { ImportFile, ImportMapping, ImportProgress } from "../../shared/api/types";
import { Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/exchange";
import { told } from "../../words/server";
import { Columns } from "./Columns";
import { listOf } from "./counts";
import { Faults } from "./Faults";
import { Names } from "./Names";
import { discard, previewQuery, progressQuery, useRunImport } from "./queries";
import { Sample } from "./Sample";

/** A file on its way in: what its columns say, what it brings, what is in the way. */
export function Import({ file, onClose }: { file: ImportFile; onClose: () => void }) {
  const [mapping, setMapping] = useState<ImportMapping>(file.mapping);
  const run = useRunImport(file.id);
  const started = run.isSuccess || run.isPending;
  const progress = useQuery(progressQuery(file.id, run.isSuccess));
  const state = started ? (progress.data?.state ?? "Running") : "Open";
  const client = useQueryClient();
  useEffect(() => {
    // Everything that was read before may tell less than there is now.
    if (state === "Done") void client.invalidateQueries({ predicate: (q) => q.queryKey[1] !== file.id });
  }, [state, client, file.id]);
  const change = (next: ImportMapping) => {
    if (started) run.reset();
    setMapping(next);
  };
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, minWidth: 0 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3, flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1">{file.name}</Typography>
        {file.remembered && (
          <Typography color="textSecondary">{say("readAsLast", { name: file.remembered })}</Typography>
        )}
        <Button size="small" onClick={onClose} disabled={state === "Running"} sx={{ ml: "auto" }}>
          {say("another")}
        </Button>
      </Box>
      {state === "Done" ? (
        <Result file={file} result={progress.data!.result!} />
      ) : (
        <>
          {state === "Running" ? (
            <Running id={file.id} done={progress.data?.rows ?? 0} total={progress.data?.total ?? 0} />
          ) : (
            <Columns file={file} mapping={mapping} onChange={change} />
          )}
          {state === "Cancelled" && <Alert severity="info">{say("stopped")}</Alert>}
          {progress.data?.problem && state === "Failed" && (
            <Alert severity="error">{told(progress.data.problem)}</Alert>
          )}
          {run.isError && <Alert severity="error">{messageOf(run.error)}</Alert>}
          {state !== "Running" && (
            <Brings file={file} mapping={mapping} onChange={change} onRun={() => run.mutate(mapping)} />
          )}
        </>
      )}
    </Box>
  );
}

function Brings({
  file,
  mapping,
  onChange,
  onRun,
}: {
  file: ImportFile;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
  onRun: () => void;
}) {
  const preview = useQuery(previewQuery(file.id, mapping));
  const brings = preview.data && listOf(preview.data.counts, preview.data.newAthletes, false);
  return (
    <Box component="section" aria-label={say("brings")} sx={{ pt: 5 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h2">{say("brings")}</Typography>
        <Typography role="status">
          {preview.isFetching ? say("looking") : preview.data && (brings || say("bringsNothing"))}
        </Typography>
        {preview.data && (
          <Typography variant="body2" color="textSecondary">
            {say("moreRows", { rows: preview.data.counts.rows })}
          </Typography>
        )}
        <Button
          variant="contained"
          color="primary"
          disabled={!preview.data?.isReady || preview.isFetching}
          onClick={onRun}
          sx={{ ml: "auto" }}
        >
          {say("bringItIn")}
        </Button>
      </Box>
      {preview.isPending && <Loading />}
      {preview.isError && (
        <Alert severity="error" sx={{ mt: 3 }}>
          {messageOf(preview.error)}
        </Alert>
      )}
      {preview.data && (
        <>
          {preview.data.ambiguousDays && (
            <Alert severity="warning" sx={{ mt: 3 }}>
              {say("datesEitherWay", { example: "01/02/2026" })}
            </Alert>
          )}
          <Names preview={preview.data} mapping={mapping} onChange={onChange} />
          <Faults file={file} preview={preview.data} mapping={mapping} onChange={onChange} />
          <Sample preview={preview.data} />
        </>
      )}
    </Box>
  );
}

function Running({ id, done, total }: { id: string; done: number; total: number }) {
  return (
    <Box sx={{ maxWidth: 560, py: 6 }}>
      <Typography role="status">{say("running", { done, total })}</Typography>
      <LinearProgress
        variant={total > 0 && done > 0 ? "determinate" : "indeterminate"}
        value={total > 0 ? (100 * done) / total : 0}
        aria-label={say("bringItIn")}
        sx={{ my: 3 }}
      />
      <Button size="small" onClick={() => void discard(id)}>
        {say("stop")}
      </Button>
    </Box>
  );
}

function Result({ file, result }: { file: ImportFile; result: NonNullable<ImportProgress["result"]> }) {
  const added = listOf(result.added, result.newAthletes, true);
  return (
    <Box role="status" sx={{ py: 4, maxWidth: 640 }}>
      <Typography variant="h2">{say("isIn", { name: file.name })}</Typography>
      <Typography sx={{ mt: 2 }}>{added ? say("added", { what: added }) : say("addedNothing")}</Typography>
      {result.knownSets > 0 && <Typography>{say("knownSets", { count: result.knownSets })}</Typography>}
      {result.knownOthers > 0 && <Typography>{say("knownOthers", { count: result.knownOthers })}</Typography>}
    </Box>
  );
}

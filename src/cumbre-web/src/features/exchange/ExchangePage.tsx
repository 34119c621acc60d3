import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import type { ImportFile } from "../../shared/api/types";
import { Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/exchange";
import { Files } from "./Files";
import { Import } from "./Import";
import { ArchiveIn, Out } from "./Out";
import { discard, useSendFile } from "./queries";

/** Files that come in, and those that go out. */
export default function ExchangePage() {
  const send = useSendFile();
  const [file, setFile] = useState<ImportFile | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const take = (chosen: File | undefined) => chosen && send.mutate(chosen, { onSuccess: setFile });
  if (file)
    return (
      <Import
        key={file.id}
        file={file}
        onClose={() => {
          void discard(file.id);
          setFile(null);
          send.reset();
        }}
      />
    );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Typography variant="h1">{say("inAndOut")}</Typography>
      <Typography color="textSecondary">{say("about")}</Typography>
      <Box component="section" aria-label={say("bringIn")} sx={{ pt: 5, maxWidth: 760 }}>
        <Typography variant="h2" sx={{ pb: 2 }}>
          {say("bringIn")}
        </Typography>
        <Box
          onDragOver={(e) => {
            e.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={(e) => {
            e.preventDefault();
            setOver(false);
            take(e.dataTransfer.files[0]);
          }}
          sx={{
            p: 5,
            border: "1px dashed",
            borderColor: over ? "primary.main" : "divider",
            bgcolor: "background.paper",
          }}
        >
          {send.isPending ? (
            <Loading rows={2} label={say("reading", { name: send.variables.name })} />
          ) : (
            <>
              <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap" }}>
                <Button variant="contained" color="primary" onClick={() => input.current?.click()}>
                  {say("choose")}
                </Button>
                <Typography>{say("drop")}</Typography>
              </Box>
              <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
                {say("kinds")}
              </Typography>
            </>
          )}
          <input
            ref={input}
            type="file"
            hidden
            accept=".csv,.tsv,.txt,.xlsx,.ods"
            aria-label={say("file")}
            onChange={(e) => {
              take(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
        </Box>
        {send.isError && (
          <Alert severity="error" sx={{ mt: 3 }}>
            {messageOf(send.error)}
          </Alert>
        )}
      </Box>
      <Out />
      <ArchiveIn />
      <Files />
    </Box>
  );
}

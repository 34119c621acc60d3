import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useRef } from "react";
import { useSignedIn } from "../../../shared/account/useMe";
import { messageOf } from "../../../shared/ui/states";
import { say } from "../../../words/traces";
import type { useTraceText } from "./useTraceText";

/** Where a trace comes from, and out to a file again. */
export function TraceSource({
  trace,
  name,
  label,
  children,
}: {
  trace: ReturnType<typeof useTraceText>;
  /** Of the file. */
  name: string;
  label?: string;
  children?: React.ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  const { demo } = useSignedIn();
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        {label && <Box sx={{ width: 48, fontWeight: 600 }}>{label}</Box>}
        <Button size="small" onClick={() => input.current?.click()}>
          {say("fromFile")}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".csv,.txt,text/csv,text/plain"
          aria-label={[label, say("fromFile")].filter(Boolean).join(", ")}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) void trace.read(file);
          }}
        />
        {demo && (
          <Button size="small" onClick={() => void trace.record()}>
            {say("simulated")}
          </Button>
        )}
        {trace.text !== "" && (
          <>
            <Button size="small" variant="text" onClick={() => trace.download(name)}>
              {say("saveCsv")}
            </Button>
            <Button size="small" variant="text" onClick={trace.clear}>
              {say("clear")}
            </Button>
          </>
        )}
        {children}
      </Box>
      {trace.failed !== null && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {messageOf(trace.failed)}
        </Alert>
      )}
    </Box>
  );
}

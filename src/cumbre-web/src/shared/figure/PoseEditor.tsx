import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import type { PoseEntry, PoseHandle, Posed } from "../api/types";
import { messageOf } from "../ui/states";
import { say } from "../../words/figure";
import { angleName, findingText, solvedWord } from "./angleWords";
import { Joints } from "./Joints";
import { usePosing, type AskPose, type PoseChange } from "./usePosing";

/** A pose that is made by dragging joints, by arrow keys or by numbers, and what came of it. */
export function PoseEditor<T extends { posed: Posed }>({
  start,
  ask,
  onResult,
  size = 320,
  lever = false,
  again = "",
  children,
}: {
  /** Another one begins anew. */
  start: PoseEntry;
  ask: AskPose<T>;
  onResult?: (result: T) => void;
  size?: number;
  /** What else the answer hangs on. */
  again?: string;
  /** The lever between shoulder and centre of mass is drawn. */
  lever?: boolean;
  children?: (result: T) => React.ReactNode;
}) {
  const { result, error, mark, change, become, undo } = usePosing(ask, start, again);
  useEffect(() => {
    if (result) onResult?.(result);
    // Told once for each result.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [result]);
  if (!result) return error ? <Alert severity="warning">{messageOf(error)}</Alert> : <Box sx={{ height: size }} />;
  const { pose, figure, handles, findings } = result.posed;
  const differs = handles.some((h) => h.variable.endsWith("Left"));
  const toPose = (to: PoseEntry) => {
    mark();
    become(to);
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 4, alignItems: "flex-start" }}>
      <Box sx={{ border: 1, borderColor: "divider" }}>
        <Joints
          figure={figure}
          handles={handles}
          size={size}
          centre={lever ? [(figure.centre[0] ?? 0) / 1000, (figure.centre[1] ?? 0) / 1000] : null}
          onMark={mark}
          onChange={change}
        />
      </Box>
      <Box sx={{ flex: "1 1 280px", minWidth: 0 }}>
        <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(116px, 1fr))", gap: 2 }}>
          {handles.map((handle) => (
            <Angle
              key={handle.variable}
              handle={handle}
              name={angleName(handle.variable, differs)}
              onChange={(how) => {
                mark();
                change(how);
              }}
            />
          ))}
        </Box>
        <Box sx={{ mt: 1, display: "flex", flexWrap: "wrap", columnGap: 3, alignItems: "center" }}>
          <Differ
            label={say("armsDiffer")}
            checked={pose.armLeft !== null}
            onChange={(on) => toPose({ ...pose, armLeft: on ? pose.arm : null })}
          />
          <Differ
            label={say("legsDiffer")}
            checked={pose.legLeft !== null}
            onChange={(on) => toPose({ ...pose, legLeft: on ? pose.leg : null })}
          />
          {Object.keys(pose.free ?? {}).length > 0 && (
            <Button size="small" onClick={() => toPose({ ...pose, free: {}, grip: null })}>
              {say("turnEverything")}
            </Button>
          )}
          <Button size="small" onClick={undo} disabled={!undo}>
            {say("undo")}
          </Button>
        </Box>
        {findings.map((finding) => (
          <Alert key={`${finding.fault}-${finding.of}`} severity="warning" sx={{ mt: 1 }}>
            {findingText(finding)}
          </Alert>
        ))}
        {error !== null && (
          <Alert severity="warning" sx={{ mt: 1 }}>
            {messageOf(error)}
          </Alert>
        )}
        {children?.(result)}
      </Box>
    </Box>
  );
}

function Angle({
  handle,
  name,
  onChange,
}: {
  handle: PoseHandle;
  name: string;
  onChange: (change: PoseChange) => void;
}) {
  // What is being typed stands until it is set or left.
  const [typed, setTyped] = useState<string | null>(null);
  const solved = handle.solved !== null;
  const shown = String(Math.round(handle.value));
  const set = () => {
    const value = Number(typed);
    if (typed?.trim() && typed !== shown && value >= handle.from && value <= handle.to)
      onChange({ turn: { variable: handle.variable, value } });
    setTyped(null);
  };
  return (
    <TextField
      size="small"
      label={name}
      value={typed ?? shown}
      helperText={handle.solved ? solvedWord[handle.solved] : undefined}
      slotProps={{ htmlInput: { inputMode: "numeric", readOnly: solved } }}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={set}
      onKeyDown={(e) => {
        const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
        if (e.key !== "Enter" && by === undefined) return;
        // The form around it is not sent.
        e.preventDefault();
        if (by === undefined) set();
        else if (!solved) {
          setTyped(null);
          onChange({ step: { variable: handle.variable, sign: by, degrees: e.shiftKey ? 1 : 5 } });
        }
      }}
    />
  );
}

function Differ({ label, checked, onChange }: { label: string; checked: boolean; onChange: (on: boolean) => void }) {
  return (
    <FormControlLabel
      control={<Checkbox size="small" checked={checked} onChange={(_, on) => onChange(on)} />}
      label={label}
    />
  );
}

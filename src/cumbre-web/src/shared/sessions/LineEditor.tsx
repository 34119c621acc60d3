import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useId } from "react";
import { Problem } from "../api/client";
import { LineField } from "../notation/LineField";
import { Misfits } from "../notation/Misfits";
import { LineError } from "../notation/LineError";
import { notationMessage, problemMessage } from "../notation/wording";
import { messageOf } from "../ui/states";
import { MeaningView } from "./MeaningView";
import { useMeaning } from "./useMeaning";
import { say } from "../../words/sessions";

interface Props {
  athleteId: string;
  movement: string;
  day: string;
  line: string;
  onChange: (line: string) => void;
  onEnter?: () => void;
  /** What saving refused. */
  error?: unknown;
  autoFocus?: boolean;
  subject: string;
}

/** A whiteboard line, and under it what it means, costs and needs, at each key stroke. */
export function LineEditor({ athleteId, movement, day, line, onChange, onEnter, error, autoFocus, subject }: Props) {
  const id = useId();
  const meaning = useMeaning(athleteId, movement, line, day);
  const fresh = meaning.data && !meaning.isPlaceholderData;
  const fault = line.trim() ? meaning.data?.error : null;
  const problem = line.trim() ? meaning.data?.problem : null;
  const refused = error instanceof Problem ? error.fieldMessage("line") : undefined;
  const message = fault
    ? notationMessage(fault)
    : problem
      ? problemMessage(problem)
      : (refused ?? (meaning.isError ? messageOf(meaning.error) : null));
  return (
    <Box>
      <LineField
        framed
        label={say("line")}
        value={line}
        onChange={onChange}
        onEnter={() => fresh && meaning.data.plan && onEnter?.()}
        invalid={message !== null && Boolean(fresh)}
        describedBy={id}
        autoFocus={autoFocus}
      />
      <Box id={id} aria-live="polite" sx={{ minHeight: 24, mt: 1 }}>
        {message && (
          <Typography variant="body2" color="error">
            {fault ? <LineError line={line} error={fault} onTake={onChange} /> : message}
          </Typography>
        )}
        {!line.trim() && (
          <Typography variant="body2" color="textSecondary">
            {say("straight4X580E1")}
          </Typography>
        )}
        {!message && meaning.data?.plan && line.trim() && (
          <Box sx={{ opacity: fresh ? 1 : 0.6 }}>
            <Misfits misfits={meaning.data.misfits} onTake={onChange} />
            <MeaningView plan={meaning.data.plan} subject={subject} keyPrefix={`line-${athleteId}`} />
          </Box>
        )}
      </Box>
    </Box>
  );
}

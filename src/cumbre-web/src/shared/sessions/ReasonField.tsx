import Box from "@mui/material/Box";
import { Problem } from "../api/client";
import type { CautionNote } from "../api/types";
import { Cautions } from "../why/Cautions";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/sessions";

/** Asks why a session is planned against a caution; nothing where none asks. */
export function ReasonField({
  needs,
  value,
  onChange,
  error,
  path,
}: {
  needs: CautionNote[];
  value: string;
  onChange: (reason: string) => void;
  error?: unknown;
  path: string;
}) {
  if (needs.length === 0) return null;
  const message = error instanceof Problem ? error.fieldMessage(path) : undefined;
  return (
    <Box sx={{ mt: 2 }}>
      <Cautions notes={needs}>
        <Field
          label={say("keepItSayWhy")}
          value={value}
          onChange={(e) => onChange(e.target.value)}
          problem={message}
          help={say("theReasonIsKeptWithTheSession")}
          sx={{ mt: 3 }}
          slotProps={{ htmlInput: { maxLength: 400 } }}
        />
      </Cautions>
    </Box>
  );
}

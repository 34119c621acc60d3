import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { saveFile } from "../../../shared/charts/saveSvg";

/** The text of a trace: from a file, or from the device that ships with the demo; saved again as it is. */
export function useTraceText(athleteId: string, kind: "Pull" | "Force") {
  const [text, setText] = useState("");
  const [turn, setTurn] = useState(1);
  const [failed, setFailed] = useState<unknown>(null);
  return {
    text,
    failed,
    read: async (file: File) => {
      setFailed(null);
      setText(await file.text());
    },
    record: async (seed = turn) => {
      setFailed(null);
      setTurn(turn + 1);
      try {
        const { text: recorded } = await ask(
          api.GET("/api/athletes/{athleteId}/traces/record", {
            params: { path: { athleteId }, query: { kind, turn: seed } },
          }),
        );
        setText(recorded);
      } catch (e) {
        setFailed(e);
      }
    },
    download: (name: string) => saveFile(text, "text/csv", `${name}.csv`),
    clear: () => setText(""),
  };
}

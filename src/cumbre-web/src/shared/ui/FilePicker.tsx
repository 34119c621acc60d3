import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { number } from "./format";
import { type ServerMessage, told } from "../../words/server";
import { say } from "../../words/ui";

const megabyte = 1024 * 1024;
/** The server takes no more; a file that is too large need not be read to say so. */
const mostMegabytes = 0.9;

export interface TextFile {
  name: string;
  text: string;
}

/** A button for a JSON file, its name beside it, and below what is wrong with its size. */
export function FilePicker({
  of,
  disabled = false,
  onChoose,
}: {
  /** What the file holds: "Block". */
  of: string;
  disabled?: boolean;
  /** Null: another one is being chosen, or it is too large. */
  onChoose: (file: TextFile | null) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState<string | null>(null);
  const [megabytes, setMegabytes] = useState(0);
  const tooLarge = megabytes > mostMegabytes;
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    onChoose(null);
    setName(chosen.name);
    setMegabytes(chosen.size / megabyte);
    if (chosen.size <= mostMegabytes * megabyte) onChoose({ name: chosen.name, text: await chosen.text() });
  };
  return (
    <Box>
      <Button variant="outlined" onClick={() => input.current?.click()} disabled={disabled}>
        {say("chooseAFile")}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".json,application/json"
        aria-label={say("fileOf", { what: of })}
        onChange={(e) => {
          void choose(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      {name && !tooLarge && (
        <Box component="span" sx={{ ml: 3, fontSize: 13 }}>
          {name}
        </Box>
      )}
      {tooLarge && (
        <Alert severity="error" sx={{ mt: 3 }}>
          {say("tooLarge", {
            name: name ?? "",
            size: number(Math.round(megabytes * 10) / 10),
            limit: number(mostMegabytes),
          })}
        </Alert>
      )}
    </Box>
  );
}

/** What is wrong with a file, each with its place. */
export function Places({ label, items }: { label: string; items: { place: string; message: ServerMessage }[] }) {
  return (
    <Box component="ul" aria-label={label} sx={{ fontSize: 13, lineHeight: "20px" }}>
      {items.map((p, i) => (
        <li key={i}>
          <b>{p.place}</b>: {told(p.message)}
        </li>
      ))}
    </Box>
  );
}

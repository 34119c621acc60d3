import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { SaveWords } from "../drafts/Saving";
import { useUnit } from "../accounts/useMe";
import type { BlockDto, WeekKind } from "../api/types";
import { dayFull, dayShort, mass } from "../ui/format";
import * as doc from "./doc";
import type { BlockEditor } from "./useBlockEditor";
import { weekKinds } from "./wording";

/** The dialogs of the block page. */
export type Asking = "copy" | "missed" | "help" | "template" | "remove" | "publish" | { substitute: string } | null;

/** The name of the block, how far saving is, and what can be done with the whole of it. */
export function BlockHead({
  stored,
  editor,
  week,
  onAsk,
  onInsert,
  onRemoveWeek,
}: {
  stored: BlockDto;
  editor: BlockEditor;
  week: number;
  onAsk: (asking: Asking) => void;
  onInsert: () => void;
  onRemoveWeek: () => void;
}) {
  const unit = useUnit();
  const { block, edit } = editor;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const [naming, setNaming] = useState(false);
  const choose = (verb: () => void) => () => {
    setMenu(null);
    verb();
  };
  const begun = block.weeks.some((w) => w.sessions.some((s) => s.fixed));
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
      <Box sx={{ mr: "auto", minWidth: 0 }}>
        {naming ? (
          <TextField
            label="Name of the block"
            defaultValue={block.name}
            autoFocus
            onBlur={(e) => {
              const name = e.target.value.trim();
              if (name) edit((b) => ({ ...b, name }));
              setNaming(false);
            }}
            onKeyDown={(e) => e.key === "Enter" && (e.target as HTMLElement).blur()}
            slotProps={{ htmlInput: { maxLength: 80 } }}
            sx={{ width: 260 }}
          />
        ) : (
          <Typography variant="h1">{block.name}</Typography>
        )}
        <Typography variant="body2" color="textSecondary">
          <Box component={Link} to={`/athletes/${stored.athleteId}/programme`} sx={{ color: "inherit" }}>
            {stored.athleteName}
          </Box>
          {stored.bodyMassKg !== null && `, ${mass(stored.bodyMassKg, unit, 1)}`}, from {dayFull(block.start)}
          {stored.group && (
            <>
              , of the group{" "}
              <Box component={Link} to={`/groups/${stored.group.id}`} sx={{ color: "inherit" }}>
                {stored.group.name}
              </Box>
            </>
          )}
          ; <SaveWords {...editor} />
        </Typography>
      </Box>
      <Button size="small" onClick={editor.undo} disabled={!editor.canUndo}>
        Undo
      </Button>
      <Button size="small" onClick={editor.redo} disabled={!editor.canRedo}>
        Redo
      </Button>
      <Button size="small" onClick={() => onAsk("copy")}>
        Copy week
      </Button>
      <TextField
        select
        label={`Week ${week + 1} is`}
        value={block.weeks[week]!.kind}
        onChange={(e) => edit((b) => doc.changeWeek(b, week, (w) => ({ ...w, kind: e.target.value as WeekKind })))}
        sx={{ width: 110 }}
      >
        {Object.entries(weekKinds).map(([kind, name]) => (
          <MenuItem key={kind} value={kind}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <Button size="small" onClick={() => onAsk("publish")}>
        Publish
      </Button>
      <Button size="small" onClick={(e) => setMenu(e.currentTarget)} aria-haspopup="menu">
        More
      </Button>
      {menu && (
        <Menu open anchorEl={menu} onClose={() => setMenu(null)}>
          {stored.group ? (
            <MenuItem component={Link} to={`/groups/${stored.group.id}`}>
              Make again with its group…
            </MenuItem>
          ) : (
            <MenuItem component={Link} to={`/athletes/${stored.athleteId}/blocks/${stored.id}/generate`}>
              Generate again…
            </MenuItem>
          )}
          <MenuItem component={Link} to={`/compare?right=${stored.athleteId}_${stored.id}_&left=${stored.athleteId}__`}>
            Compare…
          </MenuItem>
          <MenuItem onClick={choose(() => setNaming(true))}>Rename the block</MenuItem>
          <MenuItem onClick={choose(() => onAsk("missed"))}>Missed weeks…</MenuItem>
          <MenuItem onClick={choose(onInsert)}>Insert a week after this one</MenuItem>
          <MenuItem onClick={choose(onRemoveWeek)} disabled={block.weeks.length === 1}>
            Take week {week + 1} out
          </MenuItem>
          <MenuItem onClick={choose(() => edit((b) => doc.moveStart(b, doc.addDays(b.start, 7))))} disabled={begun}>
            Start a week later, {dayShort(doc.addDays(block.start, 7))}
          </MenuItem>
          <MenuItem onClick={choose(() => edit((b) => doc.moveStart(b, doc.addDays(b.start, -7))))} disabled={begun}>
            Start a week earlier, {dayShort(doc.addDays(block.start, -7))}
          </MenuItem>
          <MenuItem onClick={choose(() => onAsk("template"))}>Keep as a template…</MenuItem>
          <MenuItem onClick={choose(() => onAsk("remove"))}>Remove the block…</MenuItem>
        </Menu>
      )}
    </Box>
  );
}

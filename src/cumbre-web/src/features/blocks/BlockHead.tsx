import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { SaveWords } from "../../shared/drafts/Saving";
import { useUnit } from "../../shared/account/useMe";
import type { BlockDto, WeekKind } from "../../shared/api/types";
import { dayFull, dayShort, mass } from "../../shared/ui/format";
import { useCommands } from "../../shared/keys/commands";
import * as doc from "../../shared/blocks/doc";
import type { BlockEditor } from "./useBlockEditor";
import { weekKinds } from "../../shared/blocks/wording";
import { say } from "../../words/blocks";

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
  useCommands([
    { id: "publish", label: say("publishTheBlock"), run: () => onAsk("publish") },
    { id: "copy-week", label: say("copyWeek2"), run: () => onAsk("copy") },
    { id: "missed", label: say("missedWeeks"), run: () => onAsk("missed") },
    { id: "template", label: say("keepAsATemplate2"), run: () => onAsk("template") },
    { id: "rename", label: say("renameTheBlock"), run: () => setNaming(true) },
  ]);
  const begun = block.weeks.some((w) => w.sessions.some((s) => s.fixed));
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
      <Box sx={{ mr: "auto", minWidth: 0 }}>
        {naming ? (
          <TextField
            label={say("nameOfTheBlock")}
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
          <Listed>
            <Box component={Link} to={`/athletes/${stored.athleteId}/programme`} sx={{ color: "inherit" }}>
              {stored.athleteName}
            </Box>
            {stored.bodyMassKg !== null && mass(stored.bodyMassKg, unit, 1)}
            {say("from4", { start: dayFull(block.start) })}
            {stored.group &&
              say.rich("ofTheGroup", {
                group: stored.group.name,
                a: (name) => (
                  <Box component={Link} to={`/groups/${stored.group?.id}`} sx={{ color: "inherit" }}>
                    {name}
                  </Box>
                ),
              })}
          </Listed>
          ; <SaveWords {...editor} />
        </Typography>
      </Box>
      <Button size="small" onClick={editor.undo} disabled={!editor.canUndo}>
        {say("undo")}
      </Button>
      <Button size="small" onClick={editor.redo} disabled={!editor.canRedo}>
        {say("redo")}
      </Button>
      <Button size="small" onClick={() => onAsk("copy")}>
        {say("copyWeek2")}
      </Button>
      <TextField
        select
        label={say("weekIs", { week: week + 1 })}
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
        {say("publish")}
      </Button>
      <Button size="small" onClick={(e) => setMenu(e.currentTarget)} aria-haspopup="menu">
        {say("more")}
      </Button>
      {menu && (
        <Menu open anchorEl={menu} onClose={() => setMenu(null)}>
          {stored.group ? (
            <MenuItem component={Link} to={`/groups/${stored.group.id}`}>
              {say("makeAgainWithItsGroup")}
            </MenuItem>
          ) : (
            <MenuItem component={Link} to={`/athletes/${stored.athleteId}/blocks/${stored.id}/generate`}>
              {say("generateAgain")}
            </MenuItem>
          )}
          <MenuItem component={Link} to={`/compare?right=${stored.athleteId}_${stored.id}_&left=${stored.athleteId}__`}>
            {say("compare2")}
          </MenuItem>
          <MenuItem component={Link} to={`/athletes/${stored.athleteId}/blocks/${stored.id}/review`}>
            {say("reviewTheBlock")}
          </MenuItem>
          <MenuItem onClick={choose(() => setNaming(true))}>{say("renameTheBlock")}</MenuItem>
          <MenuItem onClick={choose(() => onAsk("missed"))}>{say("missedWeeks")}</MenuItem>
          <MenuItem onClick={choose(onInsert)}>{say("insertAWeekAfterThisOne")}</MenuItem>
          <MenuItem onClick={choose(onRemoveWeek)} disabled={block.weeks.length === 1}>
            {say("takeWeekOut", { week: week + 1 })}
          </MenuItem>
          <MenuItem onClick={choose(() => edit((b) => doc.moveStart(b, doc.addDays(b.start, 7))))} disabled={begun}>
            {say("startAWeekLater", { dayShort: dayShort(doc.addDays(block.start, 7)) })}
          </MenuItem>
          <MenuItem onClick={choose(() => edit((b) => doc.moveStart(b, doc.addDays(b.start, -7))))} disabled={begun}>
            {say("startAWeekEarlier", { dayShort: dayShort(doc.addDays(block.start, -7)) })}
          </MenuItem>
          <MenuItem onClick={choose(() => onAsk("template"))}>{say("keepAsATemplate2")}</MenuItem>
          <MenuItem onClick={choose(() => onAsk("remove"))}>{say("removeTheBlock")}</MenuItem>
        </Menu>
      )}
    </Box>
  );
}

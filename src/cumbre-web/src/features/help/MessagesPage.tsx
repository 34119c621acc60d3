import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { number } from "../../shared/ui/format";
import { say } from "../../words/help";
import { catalogues } from "../../words/wordsOf";

// Every room is loaded, so that all of them are in the list.
import.meta.glob(["../../words/*.ts", "!../../words/*.test.ts"], { eager: true });

/** Every message of the interface, room by room, to be read from top to bottom. */
export default function MessagesPage() {
  const [typed, setTyped] = useState("");
  const wanted = typed.trim().toLowerCase();
  const rooms = [...catalogues()]
    .map(([room, messages]) => ({
      room,
      messages: Object.entries(messages).filter(([key, text]) => `${key} ${text}`.toLowerCase().includes(wanted)),
    }))
    .filter((r) => r.messages.length > 0)
    .sort((a, b) => a.room.localeCompare(b.room));
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}>
      <Typography variant="h1">{say("messages")}</Typography>
      <Typography color="textSecondary" sx={{ mt: 1, mb: 4 }}>
        {say("messagesAbout", { count: rooms.reduce((sum, r) => sum + r.messages.length, 0) })}
      </Typography>
      <TextField
        label={say("findMessage")}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        sx={{ maxWidth: 300 }}
      />
      {rooms.map(({ room, messages }) => (
        <Box component="section" key={room} aria-label={room} sx={{ mt: 5 }}>
          <Typography variant="h2">
            {room} <span>{number(messages.length)}</span>
          </Typography>
          <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 2, p: 0 }}>
            {messages.map(([key, text]) => (
              <Box
                component="li"
                key={key}
                sx={(t) => ({ py: 1, borderTop: `1px solid ${t.vars.palette.divider}`, overflowWrap: "anywhere" })}
              >
                {text}
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

import Box from "@mui/material/Box";
import type { BlockStory, LeftOut } from "../api/types";
import { storyText } from "./story";
import { say } from "../../words/generation";

/** What a block is for, what holds its goals back, what is guessed and what grows, in a paragraph. */
export function Story({ story, leftOut }: { story: BlockStory; leftOut: LeftOut[] }) {
  const said = storyText(story, leftOut);
  if (said.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label={say("whatThisBlockIsFor")}
      sx={{ fontSize: 13, lineHeight: "19px", maxWidth: 900, color: "text.secondary" }}
    >
      {said.map((s) => (
        <Box key={s.head}>
          <Box component="b" sx={{ color: "text.primary", fontWeight: 600 }}>
            {s.head}:
          </Box>{" "}
          {s.text}
        </Box>
      ))}
    </Box>
  );
}

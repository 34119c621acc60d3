import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { say } from "../../words/help";
import { pictures } from "./pictures";

const parts = [
  {
    id: "test",
    picture: say("pictureTest"),
    name: say("test"),
    text: say("testText"),
    to: "/test-days",
    link: say("testLink"),
  },
  {
    id: "place",
    picture: say("picturePlace"),
    name: say("place"),
    text: say("placeText"),
    to: "/ladders",
    link: say("placeLink"),
  },
  {
    id: "plan",
    picture: say("picturePlan"),
    name: say("plan"),
    text: say("planText"),
    to: "/programmes",
    link: say("planLink"),
  },
  {
    id: "publish",
    picture: say("picturePublish"),
    name: say("publish"),
    text: say("publishText"),
    to: "/outbox",
    link: say("publishLink"),
  },
  {
    id: "train",
    picture: say("pictureTrain"),
    name: say("train"),
    text: say("trainText"),
    to: "/roster",
    link: say("trainLink"),
  },
  {
    id: "decide",
    picture: say("pictureDecide"),
    name: say("decide"),
    text: say("decideText"),
    to: "/",
    link: say("decideLink"),
  },
] as const;

/** The loop from the test to the decision, in pictures. */
export default function HelpPage({ sample }: { sample: React.ReactNode }) {
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 1080 }}>
      <Typography variant="h1">{say("title")}</Typography>
      <Typography color="textSecondary" sx={{ mt: 1, mb: 4, maxWidth: 640 }}>
        {say("about")}
      </Typography>
      <Box
        component="ol"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gap: 5,
          gridTemplateColumns: "repeat(auto-fill, minmax(min(280px, 100%), 1fr))",
        }}
      >
        {parts.map((part) => (
          <Box
            component="li"
            key={part.id}
            sx={(t) => ({ bgcolor: "background.paper", border: `1px solid ${t.vars.palette.line2}`, p: 4 })}
          >
            <svg viewBox="0 0 208 124" width="100%" role="img" aria-label={part.picture} style={{ maxHeight: 150 }}>
              {pictures[part.id]}
            </svg>
            <Typography variant="h2" sx={{ mt: 3 }}>
              {part.name}
            </Typography>
            <Typography sx={{ mt: 1, mb: 2 }}>{part.text}</Typography>
            <Link to={part.to}>{part.link}</Link>
          </Box>
        ))}
      </Box>
      {sample}
      <Typography variant="h2" sx={{ mt: 6 }}>
        {say("more")}
      </Typography>
      <Typography sx={{ mt: 1 }}>
        <Link to="/glossary">{say("words")}</Link>
      </Typography>
      <Typography sx={{ mt: 1 }}>
        <Link to="/messages">{say("messages")}</Link>
      </Typography>
      <Typography sx={{ mt: 1 }}>{say("keysHint")}</Typography>
      <Typography color="textSecondary" sx={{ mt: 3, maxWidth: 640 }}>
        {say("safety")}
      </Typography>
    </Box>
  );
}

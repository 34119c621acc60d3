import Accordion from "@mui/material/Accordion";
import AccordionDetails from "@mui/material/AccordionDetails";
import AccordionSummary from "@mui/material/AccordionSummary";
import { useQuery } from "@tanstack/react-query";
import { generationQuery } from "../../shared/generation/queries";
import { Story } from "../../shared/generation/Story";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/blocks";

/** What a generated block is for, folded at its head; read anew each time it is opened, as the lines change. */
export function StoryHere({ athleteId, blockId }: { athleteId: string; blockId: string }) {
  return (
    <Accordion
      disableGutters
      elevation={0}
      square
      slotProps={{ transition: { unmountOnExit: true, timeout: 0 } }}
      sx={{ bgcolor: "transparent", "&::before": { display: "none" } }}
    >
      <AccordionSummary
        expandIcon={<span aria-hidden>▾</span>}
        sx={{
          px: 0,
          minHeight: 28,
          width: "fit-content",
          gap: 2,
          fontSize: 13,
          "& .MuiAccordionSummary-content": { my: 1 },
        }}
      >
        {say("whatThisBlockIsFor")}
      </AccordionSummary>
      <AccordionDetails sx={{ px: 0, pt: 0 }}>
        <Told athleteId={athleteId} blockId={blockId} />
      </AccordionDetails>
    </Accordion>
  );
}

function Told({ athleteId, blockId }: { athleteId: string; blockId: string }) {
  const generation = useQuery({ ...generationQuery(athleteId, blockId), staleTime: 0 });
  if (generation.isError) return <Failed error={generation.error} retry={() => void generation.refetch()} />;
  if (!generation.data) return <Loading rows={2} />;
  return <Story story={generation.data.story} leftOut={generation.data.leftOut} />;
}

import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { say } from "../../words/figure";
import { capital } from "../ui/format";
import type { FormMark } from "./draw";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import type { JointName } from "./skin";
import { useFormFaults, type DrawnFault } from "./useFigures";

const size = 120;

/** Each fault beside the right position, with the line that shows it and by how much. */
export function FormFaults({ movement }: { movement: string }) {
  const faults = useFormFaults(movement);
  if (faults.length === 0) return null;
  return (
    <Box component="section" aria-label={say("rightAndWrong")} sx={{ mt: 4 }}>
      <Typography variant="h2" sx={{ mb: 2 }}>
        {say("rightAndWrong")}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, display: "flex", flexWrap: "wrap", gap: 4 }}>
        {faults.map((fault) => (
          <Box component="li" key={fault.fault} sx={{ width: 2 * size + 14 }}>
            <Box sx={{ display: "flex", gap: 1 }}>
              <Side fault={fault} pose={fault.right} label={say("right")} value={fault.rightValue} />
              <Side fault={fault} pose={fault.wrong} label={capital(fault.fault)} value={fault.wrongValue} />
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Side({
  fault,
  pose,
  label,
  value,
}: {
  fault: DrawnFault;
  pose: DrawnFault["right"];
  label: string;
  value: number | null;
}) {
  return (
    <Box component="figure" sx={{ m: 0, width: size }}>
      <Box sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider" }}>
        <Figure
          poses={[pose]}
          frame={[fault.right, fault.wrong]}
          mark={fault.mark}
          width={size - 2}
          height={size - 2}
          label={poseWords(pose.reading)}
        />
      </Box>
      <Box component="figcaption" sx={{ fontSize: 12, lineHeight: "16px", mt: 0.5 }}>
        <b>{label}</b>
        {fault.mark && value !== null && <Box sx={{ color: "text.secondary" }}>{measured(fault.mark, value)}</Box>}
      </Box>
    </Box>
  );
}

/** What the standards speak of, in the order of the height that is measured. */
const places: Partial<Record<JointName, string>> = {
  chin: say("chin"),
  shoulders: say("shoulders"),
  shoulderRight: say("shoulders"),
  elbowRight: say("elbowsPlace"),
  elbowLeft: say("otherElbow"),
  hips: say("hipsPlace"),
  knucklesRight: say("handsPlace"),
};

function measured({ kind, joints: [what, from] }: FormMark, value: number): string {
  switch (kind) {
    case "Line":
      return say("offLine", { degrees: value });
    case "Angle":
      return say("angleOf", { degrees: value });
    case "Level":
      return say("offLevel", { degrees: value });
    case "Plumb":
      return say("offPlumb", { degrees: value });
    case "Height":
      return say(value >= 0 ? "above" : "below", {
        what: capital((what && places[what]) ?? ""),
        from: (from && places[from]) ?? "",
        cm: Math.round(Math.abs(value) / 10),
      });
  }
}

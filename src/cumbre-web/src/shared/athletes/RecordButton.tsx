import Button, { type ButtonProps } from "@mui/material/Button";
import { Link } from "react-router";
import { say } from "../../words/athletes";

/** Opens the form of a test; without a bodyweight, which every result is kept with, it leads to where that is added. */
export function RecordButton({
  athleteId,
  weighed,
  onRecord,
  size,
}: {
  athleteId: string;
  weighed: boolean;
  onRecord: () => void;
  size?: ButtonProps["size"];
}) {
  return weighed ? (
    <Button size={size} onClick={onRecord}>
      {say("recordTest")}
    </Button>
  ) : (
    <Button size={size} component={Link} to={`/athletes/${athleteId}/profile`} title={say("testsNeedBodyweight")}>
      {say("addBodyweight")}
    </Button>
  );
}

import AthleteProgrammePage from "../features/blocks/AthleteProgrammePage";
import OwnProgrammePage from "../features/publish/OwnProgrammePage";
import { useSignedIn } from "../shared/account/useMe";

/** The programme of an athlete: the coach writes it, the athlete reads what was published. */
export default function ProgrammeRoute() {
  return useSignedIn().isCoach ? <AthleteProgrammePage /> : <OwnProgrammePage />;
}

import type { AuditKind } from "../../shared/api/types";
import { say } from "../../words/audit";

/** What is asked for together. */
export const groups = [
  {
    id: "access",
    name: say("groupAccess"),
    kinds: [
      "OwnerMade",
      "SignedIn",
      "SignInFailed",
      "SignedOut",
      "SignInEnded",
      "SignInsEnded",
      "PasswordChanged",
      "PasswordRecovered",
      "SecondFactorOn",
      "SecondFactorOff",
      "RecoveryCodeUsed",
      "RecoveryLinkMade",
      "Invited",
      "InvitationWithdrawn",
      "Joined",
      "RoleChanged",
      "AccessEnded",
      "AccessGivenBack",
      "AccountErased",
    ],
  },
  {
    id: "person",
    name: say("groupPerson"),
    kinds: [
      "AthleteMade",
      "ProfileChanged",
      "SchoolsChanged",
      "IntakeChanged",
      "Archived",
      "TakenBack",
      "PersonErased",
    ],
  },
  {
    id: "health",
    name: say("groupHealth"),
    kinds: ["ClearanceChanged", "ComplaintsChanged", "StopCleared", "ConsentGiven", "ConsentWithdrawn"],
  },
  {
    id: "training",
    name: say("groupTraining"),
    kinds: [
      "ResultCorrected",
      "ResultRemoved",
      "TestDayRemoved",
      "PlacementSet",
      "PlacementGivenBack",
      "HalfStepTaken",
      "HalfStepRemoved",
      "PlannedAgainstCaution",
      "KeptAgainstCaution",
      "BlockPublished",
      "BlockRemoved",
    ],
  },
  { id: "files", name: say("groupFiles"), kinds: ["Exported", "Imported", "ImportUndone", "BlockSent"] },
  {
    id: "club",
    name: say("groupClub"),
    kinds: [
      "PrivacyTextWritten",
      "RetentionChanged",
      "ClubChanged",
      "BackupMade",
      "Restored",
      "ClubSchoolChanged",
      "ClubKitChanged",
      "MovementWritten",
      "LadderWritten",
      "Earlier",
    ],
  },
] as const satisfies readonly { id: string; name: string; kinds: readonly AuditKind[] }[];

/** The kinds of a group, as they are asked for; undefined: all. */
export const kindsOf = (group: string) => groups.find((g) => g.id === group)?.kinds.join(",");

import type { Intake } from "../../shared/api/types";

export const emptyIntake: Intake = {
  trainingYears: null,
  days: [],
  minutes: null,
  place: "Hall",
  shoulders: null,
  goals: [],
  complaints: [],
  clearance: [],
  guardianConsent: false,
  finished: false,
};

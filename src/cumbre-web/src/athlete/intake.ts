import type { Intake } from "../api/types";

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

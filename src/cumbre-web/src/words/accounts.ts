import { wordsOf } from "./wordsOf";

export const say = wordsOf("accounts", {
  cumbre: "Cumbre",
  theWorkbenchOfACalisthenicsCoachThe:
    "The workbench of a calisthenics coach. The app measures, calculates and proposes; the coach decides.",
  cumbreGivesTrainingArithmeticNotMedical:
    "Cumbre does training arithmetic. It is not medical advice: it shows cautions, never diagnoses, and refers to licensed professionals. Local rules for gym equipment come first.",
  writeTheClubsName: "Enter the club’s name.",
  writeYourName: "Enter your name.",
  writeASignInName: "Enter a sign-in name.",
  atLeast10CharactersASentenceIs: "At least 10 characters. A sentence is easy to remember.",
  writeATimeZoneLikeEuropeMadrid: "Enter a time zone like Europe/Madrid.",
  club: "Club",
  yourName: "Your name",
  signInName: "Sign-in name",
  anEMailAddressOrAnyWord: "An e-mail address or any word.",
  password: "Password",
  timeZone: "Time zone",
  trainingDaysAreDatesThere: "Decides which day it is for the club.",
  firstStart: "First start",
  thisClubHasNoOwnerYetThe: "This club has no owner yet. The owner can do everything; add coaches and athletes later.",
  createTheClub: "Create club",
  writeYourSignInName: "Enter your sign-in name.",
  writeYourPassword: "Enter your password.",
  aDemoWithInventedPeopleLookAround: "A demo with invented people. Look around as the coach or as one of the athletes.",
  enterAsCoach: "Enter as coach",
  enterAsAthlete: "Enter as athlete",
  signIn: "Sign in",
});

/** Places of the body that a report of pain can name. */
export const painPlaces = [
  "right elbow",
  "left elbow",
  "right shoulder",
  "left shoulder",
  "wrist",
  "neck",
  "back",
  "elsewhere",
];

import { say as sayOfApi } from "./api";
import messages from "./server.json";
import { wordsOf } from "./wordsOf";

/** What the server has to say: a key of this catalogue with the values of its placeholders. */
export interface ServerMessage {
  code: string;
  args: object;
}

const say = wordsOf("server", messages as Record<string, string>);

/** The text of a message of the server. A code that this interface does not know comes from a newer server. */
export function told({ code, args }: ServerMessage) {
  if (!Object.hasOwn(messages, code)) return sayOfApi("theServerDidNotAnswerAsExpected");
  const text = messages[code as keyof typeof messages];
  const values = Object.entries(args).map(([name, value]: [string, unknown]) => [
    name,
    typeof value === "string" && text.includes(`{${name}, date`) ? new Date(`${value}T00:00Z`) : value,
  ]);
  return say(code, Object.fromEntries(values) as Record<string, string>);
}

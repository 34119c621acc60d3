import { say } from "../../words/people";

const roles: Record<string, string> = {
  owner: say("owner"),
  coach: say("coach"),
  athlete: say("athlete"),
  guardian: say("guardian"),
};

export const roleName = (role: string) => roles[role] ?? role;

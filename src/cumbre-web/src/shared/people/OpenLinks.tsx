import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { OpenLink } from "../api/types";
import { announce } from "../ui/announce";
import { moment } from "../ui/format";
import { messageOf } from "../ui/states";
import { say } from "../../words/people";
import { AccountRow, Rows } from "./AccountRow";
import { useWithdraw } from "./usePeople";
import { roleName } from "./wording";

/** Links that still let somebody in. */
export function OpenLinks({ links }: { links: OpenLink[] }) {
  const withdraw = useWithdraw();
  if (links.length === 0) return null;
  return (
    <>
      <Rows label={say("openLinks")}>
        {links.map((l) => (
          <AccountRow
            key={l.id}
            title={l.name}
            note={
              l.recovers
                ? say("newPasswordUntil", { ends: moment(l.endsAt) })
                : say("linkTo", { role: roleName(l.role), ends: moment(l.endsAt) })
            }
          >
            <Button
              size="small"
              disabled={withdraw.isPending}
              aria-label={say("withdrawOf", { name: l.name })}
              onClick={() => withdraw.mutate(l.id, { onSuccess: () => announce(say("linkWithdrawn")) })}
            >
              {say("withdraw")}
            </Button>
          </AccountRow>
        ))}
      </Rows>
      {withdraw.isError && (
        <Typography color="error" role="alert">
          {messageOf(withdraw.error)}
        </Typography>
      )}
    </>
  );
}

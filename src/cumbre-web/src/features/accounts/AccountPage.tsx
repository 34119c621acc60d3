import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useQuery } from "@tanstack/react-query";
import { useForm, useWatch } from "react-hook-form";
import { z } from "zod";
import { useSignedIn } from "../../shared/account/useMe";
import type { Device } from "../../shared/api/types";
import { moment } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { say } from "../../words/accounts";
import { Lately } from "./Lately";
import { passwordShape } from "./password";
import { NewPasswordField, PasswordField } from "./PasswordField";
import { SecondFactor } from "./SecondFactor";
import { WallCard } from "./WallCard";
import { devicesQuery, useChangePassword, useEndDevice } from "./useAccount";

/** Somebody's own account: their password, and the devices on which they are signed in. */
export default function AccountPage() {
  const { account, demo } = useSignedIn();
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 720, display: "grid", gap: 6 }}>
      <Box>
        <Typography variant="h1">{say("account")}</Typography>
        <Typography color="textSecondary">{account.name}</Typography>
      </Box>
      {demo ? <Typography color="textSecondary">{say("theDemoHasNoPasswords")}</Typography> : <Password />}
      {account.athleteId && <WallCard athleteId={account.athleteId} />}
      {!demo && <SecondFactor />}
      <Devices />
      <Lately />
    </Box>
  );
}

const shape = z.object({ current: z.string().min(1, say("writeYourPassword")), password: passwordShape });

function Password() {
  const form = useForm({ resolver: zodResolver(shape), defaultValues: { current: "", password: "" } });
  const change = useChangePassword();
  const typed = useWatch({ control: form.control, name: "password" });
  useServerErrors(form, change.error);
  const { errors } = form.formState;
  const send = form.handleSubmit((f) => change.mutate(f, { onSuccess: () => form.reset() }));
  return (
    <Box
      component="form"
      noValidate
      aria-label={say("password")}
      onSubmit={(e) => void send(e)}
      sx={{ display: "grid", gap: 4, maxWidth: 420 }}
    >
      <Typography variant="h2">{say("password")}</Typography>
      <PasswordField
        label={say("currentPassword")}
        autoComplete="current-password"
        {...form.register("current")}
        problem={errors.current?.message}
      />
      <NewPasswordField
        label={say("newPassword")}
        typed={typed}
        {...form.register("password")}
        problem={errors.password?.message}
        help={say("allOtherDevicesAreSignedOut")}
      />
      {change.isError && Object.keys(errors).length === 0 && (
        <Typography color="error" role="alert">
          {messageOf(change.error)}
        </Typography>
      )}
      {change.isSuccess && <Typography role="status">{say("thePasswordWasChanged")}</Typography>}
      <Button type="submit" disabled={change.isPending} sx={{ justifySelf: "start" }}>
        {say("changePassword")}
      </Button>
    </Box>
  );
}

function Devices() {
  const devices = useQuery(devicesQuery);
  const end = useEndDevice();
  return (
    <Box component="section" aria-label={say("devices")}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap", mb: 2 }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("devices")}
        </Typography>
        {(devices.data?.length ?? 0) > 1 && (
          <Button size="small" onClick={() => end.mutate(null)} disabled={end.isPending}>
            {say("signOutTheOthers")}
          </Button>
        )}
      </Box>
      {devices.isPending && <Loading />}
      {devices.isError && <Failed error={devices.error} retry={() => void devices.refetch()} />}
      {end.isError && (
        <Typography color="error" role="alert">
          {messageOf(end.error)}
        </Typography>
      )}
      <Box component="ul" aria-label={say("devices")} sx={{ listStyle: "none", m: 0, p: 0 }}>
        {devices.data?.map((d) => (
          <DeviceRow key={d.id} device={d} busy={end.isPending} onEnd={() => end.mutate(d.id)} />
        ))}
      </Box>
    </Box>
  );
}

function DeviceRow({ device, busy, onEnd }: { device: Device; busy: boolean; onEnd: () => void }) {
  const name = device.device || say("aDeviceWithoutAName");
  return (
    <Box
      component="li"
      sx={{ display: "flex", gap: 4, alignItems: "center", py: 2, borderTop: 1, borderColor: "divider" }}
    >
      <Box sx={{ mr: "auto", minWidth: 0 }}>
        <Typography>
          {name}
          {device.isThis && (
            <Box component="span" sx={{ color: "text.secondary", fontWeight: 600, ml: 2 }}>
              {say("thisDevice")}
            </Box>
          )}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {say(device.kept ? "staysSignedInSince" : "signedInSince", {
            begun: moment(device.begunAt),
            seen: moment(device.seenAt),
          })}
        </Typography>
      </Box>
      {!device.isThis && (
        <Button size="small" onClick={onEnd} disabled={busy} aria-label={say("signOutDevice", { name })}>
          {say("signOut")}
        </Button>
      )}
    </Box>
  );
}

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { QRCodeSVG } from "qrcode.react";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import { Field } from "../../shared/ui/Field";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/accounts";
import { PasswordField } from "./PasswordField";

const quietZone = 4;

const factorKey = ["second-factor"];

/** A code by time beside the password: turned on with a first code, off with password and code. */
export function SecondFactor() {
  const queries = useQueryClient();
  const state = useQuery({
    queryKey: factorKey,
    queryFn: ({ signal }) => ask(api.GET("/api/me/second-factor", { signal })),
  });
  const [step, setStep] = useState<"on" | "off" | null>(null);
  const [codes, setCodes] = useState<string[] | null>(null);
  const done = () => {
    setStep(null);
    void queries.invalidateQueries({ queryKey: factorKey });
  };
  return (
    <Box component="section" aria-label={say("secondFactor")} sx={{ display: "grid", gap: 2, maxWidth: 420 }}>
      <Typography variant="h2">{say("secondFactor")}</Typography>
      <Typography variant="body2" color="textSecondary">
        {say("secondFactorNote")}
      </Typography>
      {state.isPending && <Loading rows={1} />}
      {state.isError && <Failed error={state.error} retry={() => void state.refetch()} />}
      {state.data && step === null && codes === null && (
        <>
          <Typography>
            {state.data.on ? say("factorIsOn", { left: state.data.codesLeft }) : say("factorIsOff")}
          </Typography>
          <Button onClick={() => setStep(state.data.on ? "off" : "on")} sx={{ justifySelf: "start" }}>
            {say(state.data.on ? "turnOff" : "turnOn")}
          </Button>
        </>
      )}
      {step === "on" && (
        <TurnOn
          onDone={(made) => {
            setCodes(made);
            done();
          }}
          onCancel={() => setStep(null)}
        />
      )}
      {step === "off" && <TurnOff onDone={done} onCancel={() => setStep(null)} />}
      {codes && <Codes codes={codes} onClose={() => setCodes(null)} />}
    </Box>
  );
}

const fault = (error: unknown, path: string) => (error instanceof Problem ? error.fieldMessage(path) : undefined);

/** What is wrong and stands at no field. */
function Rest({ error, paths }: { error: unknown; paths: string[] }) {
  if (!error || paths.some((p) => fault(error, p))) return null;
  return (
    <Typography color="error" role="alert">
      {messageOf(error)}
    </Typography>
  );
}

function Asking({
  onSubmit,
  onCancel,
  busy,
  verb,
  children,
}: {
  onSubmit: () => void;
  onCancel: () => void;
  busy: boolean;
  verb: string;
  children: React.ReactNode;
}) {
  return (
    <Box
      component="form"
      noValidate
      sx={{ display: "grid", gap: 4, mt: 2 }}
      onSubmit={(e) => {
        e.preventDefault();
        onSubmit();
      }}
    >
      {children}
      <Box sx={{ display: "flex", gap: 2 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={busy}>
          {verb}
        </Button>
        <Button onClick={onCancel}>{say("cancel")}</Button>
      </Box>
    </Box>
  );
}

/** Asked for again, as a stranger at an open device must not change how somebody signs in. */
function Current({ value, onChange, error }: { value: string; onChange: (value: string) => void; error: unknown }) {
  return (
    <PasswordField
      label={say("currentPassword")}
      autoComplete="current-password"
      autoFocus
      value={value}
      onChange={(e) => onChange(e.target.value)}
      problem={fault(error, "password")}
    />
  );
}

function TurnOn({ onDone, onCancel }: { onDone: (codes: string[]) => void; onCancel: () => void }) {
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const show = useMutation({ mutationFn: () => ask(api.POST("/api/me/second-factor", { body: { password } })) });
  const begin = useMutation({
    mutationFn: () => ask(api.PUT("/api/me/second-factor", { body: { code } })),
    onSuccess: (made) => onDone(made.codes),
  });
  if (!show.data)
    return (
      <Asking onSubmit={() => show.mutate()} onCancel={onCancel} busy={show.isPending} verb={say("goOn")}>
        <Current value={password} onChange={setPassword} error={show.error} />
        <Rest error={show.error} paths={["password"]} />
      </Asking>
    );
  return (
    <Asking onSubmit={() => begin.mutate()} onCancel={onCancel} busy={begin.isPending} verb={say("turnOn")}>
      <Typography>{say("scanThis")}</Typography>
      <Box sx={{ p: 2, bgcolor: "#fff", width: "fit-content" }}>
        <QRCodeSVG value={show.data.uri} size={200} marginSize={quietZone} title={say("factorQr")} />
      </Box>
      <Typography variant="body2" sx={{ overflowWrap: "anywhere" }}>
        {say("orTypeIt", { secret: show.data.secret })}
      </Typography>
      <Field
        label={say("code")}
        autoComplete="one-time-code"
        autoFocus
        value={code}
        onChange={(e) => setCode(e.target.value)}
        problem={fault(begin.error, "code")}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
      />
      <Rest error={begin.error} paths={["code"]} />
    </Asking>
  );
}

function TurnOff({ onDone, onCancel }: { onDone: () => void; onCancel: () => void }) {
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const end = useMutation({
    mutationFn: () => ask(api.POST("/api/me/second-factor/off", { body: { password, code } })),
    onSuccess: onDone,
  });
  return (
    <Asking onSubmit={() => end.mutate()} onCancel={onCancel} busy={end.isPending} verb={say("turnOff")}>
      <Current value={password} onChange={setPassword} error={end.error} />
      <Field
        label={say("code")}
        autoComplete="one-time-code"
        value={code}
        onChange={(e) => setCode(e.target.value)}
        problem={fault(end.error, "code")}
        help={say("codeHelp")}
      />
      <Rest error={end.error} paths={["password", "code"]} />
    </Asking>
  );
}

function Codes({ codes, onClose }: { codes: string[]; onClose: () => void }) {
  return (
    <Box role="status" sx={{ display: "grid", gap: 3 }}>
      <Typography>{say("keepTheseCodes")}</Typography>
      <Box
        component="ul"
        aria-label={say("recoveryCodes")}
        sx={{ columns: 2, listStyle: "none", m: 0, p: 0, fontVariantNumeric: "tabular-nums" }}
      >
        {codes.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </Box>
      <Button onClick={onClose} sx={{ justifySelf: "start" }}>
        {say("codesKept")}
      </Button>
    </Box>
  );
}

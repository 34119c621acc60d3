import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { api, ask } from "../api/client";
import { messageOf } from "../ui/states";
import { useServerErrors } from "../ui/useServerErrors";
import { DoorFrame } from "./DoorFrame";
import { useStartAfresh } from "./useMe";

const shape = z.object({
  clubName: z.string().trim().min(1, "Write the club’s name."),
  name: z.string().trim().min(1, "Write your name."),
  signInName: z.string().trim().min(1, "Write a sign-in name."),
  password: z.string().min(10, "At least 10 characters; a sentence is easy to keep."),
  timeZone: z.string().trim().min(1, "Write a time zone like Europe/Madrid."),
});

type Fields = z.infer<typeof shape>;

const fields: { name: keyof Fields; label: string; type?: string; complete?: string; hint?: string }[] = [
  { name: "clubName", label: "Club" },
  { name: "name", label: "Your name", complete: "name" },
  { name: "signInName", label: "Sign-in name", complete: "username", hint: "An e-mail address or any word." },
  { name: "password", label: "Password", type: "password", complete: "new-password" },
  { name: "timeZone", label: "Time zone", hint: "Training days are dates there." },
];

/** The first start of a club: the owner's account. */
export default function OwnerPage() {
  const startAfresh = useStartAfresh();
  const form = useForm<Fields>({
    resolver: zodResolver(shape),
    defaultValues: {
      clubName: "",
      name: "",
      signInName: "",
      password: "",
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  });
  const create = useMutation({
    mutationFn: (body: Fields) => ask(api.POST("/api/owner", { body })),
    onSuccess: startAfresh,
  });
  useServerErrors(form, create.error);
  const { errors } = form.formState;
  return (
    <DoorFrame title="First start">
      <Typography color="textSecondary" sx={{ mb: 5 }}>
        This club has no owner yet. The owner’s account can do everything; coaches and athletes come later.
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => void form.handleSubmit((f) => create.mutate(f))(e)}
        sx={{ display: "grid", gap: 4 }}
      >
        {fields.map((f, i) => (
          <TextField
            key={f.name}
            label={f.label}
            type={f.type ?? "text"}
            autoComplete={f.complete ?? "off"}
            autoFocus={i === 0}
            {...form.register(f.name)}
            error={Boolean(errors[f.name])}
            helperText={errors[f.name]?.message ?? f.hint}
          />
        ))}
        {create.isError && Object.keys(errors).length === 0 && (
          <Typography color="error" role="alert">
            {messageOf(create.error)}
          </Typography>
        )}
        <Button
          type="submit"
          variant="contained"
          color="secondary"
          disabled={create.isPending}
          sx={{ justifySelf: "start" }}
        >
          Create the club
        </Button>
      </Box>
    </DoorFrame>
  );
}

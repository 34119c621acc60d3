import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Skeleton from "@mui/material/Skeleton";
import Typography from "@mui/material/Typography";
import { Link, useParams } from "react-router";
import { Problem } from "../api/client";
import { remedyOf } from "./remedies";
import { StatusShape } from "./StatusShape";
import { say as word } from "../../words/common";
import { say } from "../../words/ui";

/** Nothing here yet, and what to do next. */
export function Empty({
  title,
  page = false,
  children,
  action,
}: {
  title: string;
  /** It is all that the page shows. */
  page?: boolean;
  children?: React.ReactNode;
  action?: React.ReactNode;
}) {
  return (
    <Box sx={{ py: 6, maxWidth: 520 }}>
      <Typography variant={page ? "h1" : "h2"} component={page ? "h1" : "p"}>
        {title}
      </Typography>
      {children && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {children}
        </Typography>
      )}
      {action && <Box sx={{ mt: 4 }}>{action}</Box>}
    </Box>
  );
}

export function Loading({ rows = 4, label = word("loading") }: { rows?: number; label?: string }) {
  return (
    <Box role="status" aria-label={label} sx={{ py: 4 }}>
      {Array.from({ length: rows }, (_, i) => (
        <Skeleton key={i} variant="rectangular" height={40} sx={{ mb: 2 }} />
      ))}
    </Box>
  );
}

/** Something failed: what, and a way on. */
export function Failed({ error, retry }: { error: unknown; retry?: () => void }) {
  const { athleteId } = useParams();
  const remedy = error instanceof Problem ? remedyOf(error, athleteId) : null;
  return (
    <Box role="alert" sx={{ py: 6, display: "flex", gap: 3, alignItems: "flex-start" }}>
      <StatusShape status="caution" />
      <Box>
        <Typography>{messageOf(error)}</Typography>
        {remedy && (
          <Button size="small" component={Link} to={remedy.to} sx={{ mt: 3, mr: 3 }}>
            {remedy.label}
          </Button>
        )}
        {retry && (
          <Button size="small" onClick={retry} sx={{ mt: 3 }}>
            {say("tryAgain")}
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** A page that could not be shown. */
export function FailedPage(failure: { error: unknown; retry?: () => void }) {
  return (
    <Box sx={{ p: 6 }}>
      <Typography variant="h1">{say("pageFailed")}</Typography>
      <Failed {...failure} />
    </Box>
  );
}

export function messageOf(error: unknown) {
  return error instanceof Problem ? error.message : say("somethingWentWrongInThePageReload");
}

import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { messageOf } from "../../../shared/ui/states";
import { say } from "../../../words/linemeter";
import { shotOfCamera, shotOfFile, shotOfVideo, type Shot } from "./picture";
import { shoot } from "./queries";

/** Where a picture comes from: a file, the device's camera, or in the demo the one that is not there. */
export function Source({
  athleteId,
  ladder,
  step,
  hasCamera,
  onShot,
}: {
  athleteId: string;
  ladder: string;
  step: string;
  hasCamera: boolean;
  onShot: (shot: Shot) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [filming, setFilming] = useState(false);
  const take = (shot: Promise<Shot>, otherwise?: string) => {
    setProblem(null);
    shot.then(onShot).catch((e: unknown) => setProblem(otherwise ?? messageOf(e)));
  };
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <Button size="small" onClick={() => input.current?.click()}>
          {say("fromFile")}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept="image/*"
          aria-label={say("fromFile")}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = "";
            if (file) take(shotOfFile(file), say("noPictureFile"));
          }}
        />
        {"mediaDevices" in navigator && (
          <Button size="small" aria-expanded={filming} onClick={() => setFilming(!filming)}>
            {filming ? say("closeCamera") : say("fromCamera")}
          </Button>
        )}
        {hasCamera && (
          <Button size="small" onClick={() => take(shoot(athleteId, ladder, step).then(shotOfCamera))}>
            {say("fromSimulated")}
          </Button>
        )}
      </Box>
      {filming && (
        <Viewfinder
          onShot={(shot) => {
            setFilming(false);
            onShot(shot);
          }}
        />
      )}
      {problem && (
        <Alert severity="warning" sx={{ mt: 2 }}>
          {problem}
        </Alert>
      )}
    </Box>
  );
}

function Viewfinder({ onShot }: { onShot: (shot: Shot) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let gone = false;
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: "environment" } })
      .then((found) => {
        stream = found;
        if (gone) found.getTracks().forEach((track) => track.stop());
        else if (video.current) video.current.srcObject = found;
      })
      .catch(() => setFailed(true));
    return () => {
      gone = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  if (failed)
    return (
      <Alert severity="warning" sx={{ mt: 2 }}>
        {say("noCamera")}
      </Alert>
    );
  return (
    <Box sx={{ mt: 2 }}>
      <Box
        component="video"
        ref={video}
        autoPlay
        playsInline
        muted
        sx={{ display: "block", width: 480, maxWidth: "100%" }}
      />
      <Button size="small" sx={{ mt: 1 }} onClick={() => video.current && onShot(shotOfVideo(video.current))}>
        {say("takePicture")}
      </Button>
    </Box>
  );
}

import type { Kitchen } from "../../api/client";

export interface StepProps {
  kitchen: Kitchen;
  onDone: () => void;
}

import type { Metadata } from "next";
import { DoorSheet } from "@/ui/doors/DoorSheet";
import { PairForm } from "@/ui/doors/PairForm";
import { pairTabletAction } from "./actions";

export const metadata: Metadata = { title: "Pair a tablet" };

export default function PairPage() {
  return (
    <DoorSheet
      title="Pair this tablet"
      about="A manager makes the code: Settings, People and devices, Pair a tablet. It works for ten minutes."
    >
      <PairForm action={pairTabletAction} />
    </DoorSheet>
  );
}

"use client";
import { Printer } from "lucide-react";
import { PRINT_BUTTON } from "@/words/days";

export function PrintButton() {
  return (
    <button type="button" className="act" data-screen onClick={() => window.print()}>
      <Printer size={17} aria-hidden="true" /> {PRINT_BUTTON.print}
    </button>
  );
}

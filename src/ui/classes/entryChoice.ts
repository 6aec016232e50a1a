"use client";

export interface Choice {
  key: string;
  name: string;
}

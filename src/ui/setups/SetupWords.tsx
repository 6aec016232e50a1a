import type { SetupCard } from "@/core/setups/setupCard";
import { Say } from "../kit/shown";

/** What a setting means for the hands, for letting go and at depth, and what it changes. */
export function SetupWords({ card, hasEffects }: { card: SetupCard; hasEffects: boolean }) {
  return (
    <div className="text-sm">
      <p>
        <strong>Hands.</strong> <Say text={card.hands} />
      </p>
      <p>
        <strong>Letting go.</strong> <Say text={card.lettingGo} />
      </p>
      {card.atDepth && (
        <p>
          <strong>Depth.</strong> <Say text={card.atDepth} />
        </p>
      )}
      {hasEffects &&
        card.effects.map((text) => (
          <p key={text} className="mt-1">
            <Say text={text} />
          </p>
        ))}
    </div>
  );
}

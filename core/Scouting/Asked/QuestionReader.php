<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/** Takes a plain question apart: what it wants to know, of whom, of what, against what. */
final readonly class QuestionReader
{
    private const KINDS = [
        [
            '/^(?:which|what|are there|is there)\b.*\b(?:instruments?|scales?|questionnaires?|tools?|inventor(?:y|ies)|measures|tests|indicators)\b|\bhow (?:can|could|should|do we|does one|is|are)\b.*\b(?:measured|assessed|rated|quantified)\b/i',
            QuestionKind::Instrument,
        ],
        [
            '/^(?:how (?:common|often|frequent|prevalent|many|widespread|usual|rare|large a (?:share|part))|what (?:is the )?(?:share|proportion|percentage|prevalence|incidence|fraction|frequency|part))\b/i',
            QuestionKind::Prevalence,
        ],
        [
            '/^which\b.*\bor\b|\b(?:more|less|fewer|better|worse|longer|shorter)\b(?:(?!\b(?:when|if|who)\b).){1,60}?\bthan\b(?! (?:\d|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|half|an?)\b)|\b(?:better|worse|safer|more \w+|less \w+|\w+er) than\b|\bcompared (?:with|to)\b|\brather than\b|\bversus\b|\bvs\b|\bas (?:well|good|effective|safe) as\b/i',
            QuestionKind::Comparison,
        ],
        [
            '/^how do(?:es)? .*\b(?:experience|perceive|feel|see|describe|view|cope)\b|^what (?:is|are) .*\b(?:experiences?|views?|perceptions?|like)\b|^what (?:does|do) .* mean\b|^why\b/i',
            QuestionKind::Meaning,
        ],
        [
            '/^(?:who|which \w+ (?:are|is) at risk|what (?:predicts|foretells|determines))\b|\b(?:predict(?:s|ors?)?|risk factors?|prognos\w+|outlook)\b/i',
            QuestionKind::Prognosis,
        ],
    ];

    public function __construct(private Families $families)
    {
    }

    public function read(string $text): PlainQuestion
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        $kind = $this->kind($text);
        $parts = $this->parts($text, $kind);
        $concepts = [];
        foreach ($parts as $part) {
            $slots = $this->slots($part->words, $part->role);
            if ($slots !== []) {
                $concepts[] = new AskedConcept($part->role, implode(' ', $part->words), $slots);
            }
        }

        return new PlainQuestion($text, $kind, $concepts);
    }

    /** @return ?AskedConcept  one part by itself, in the words of somebody who knows what it is; null: nothing to look for */
    public function concept(string $words, ConceptRole $role): ?AskedConcept
    {
        $slots = $this->slots(QuestionWords::telling($words), $role);

        return $slots === [] ? null : new AskedConcept($role, trim($words), $slots);
    }

    private function kind(string $text): QuestionKind
    {
        foreach (self::KINDS as [$pattern, $kind]) {
            if (preg_match($pattern, $text) === 1) {
                return $kind;
            }
        }

        return QuestionKind::Effect;
    }

    /** @return list<AskedPart> */
    private function parts(string $text, QuestionKind $kind): array
    {
        $pieces = QuestionWords::pieces($text, $kind, $this->families);
        $parts = [];
        $afterVerb = false;
        $isAside = ! in_array('side', array_column($pieces, 'mark'), true);
        foreach ($pieces as $piece) {
            [$mark, $words] = [$piece->mark, $piece->words];
            $afterVerb = $afterVerb || $piece->verb;
            $isAside = $isAside || $mark === 'side';
            $before = array_column($parts, 'role');
            $role = match (true) {
                // "double checking by two nurses": they belong to what is done
                $mark === 'by' && ! $afterVerb && end($before) === ConceptRole::Exposure => ConceptRole::Setting,
                $this->namesPeople($words) &&
                    ! in_array(ConceptRole::Population, $before, true) => ConceptRole::Population,
                ! $isAside => ConceptRole::Outcome,
                $kind->hasDirection() => $this->directed($mark, $afterVerb, $before, $kind),
                default => $this->undirected($mark, $before),
            };
            // "listening to music", "daylight from windows" are one thing
            $isOne = in_array($mark, ['of', 'with', 'from'], true) &&
                ! $afterVerb &&
                $role === ConceptRole::Exposure &&
                end($before) === $role;
            $parts = $isOne ? self::joined($parts, $words) : [...$parts, new AskedPart($role, $words)];
        }

        return $this->withOutcome($this->withExposure($parts));
    }

    /**
     * Where people are set against others, they are what is asked about, and the rest is the outcome: "Is bullying more
     * common among night than among day nurses?".
     *
     * @param  list<AskedPart>  $parts
     * @return list<AskedPart>
     */
    private function withExposure(array $parts): array
    {
        $compared = array_filter(
            $parts,
            fn (AskedPart $part): bool => $part->role === ConceptRole::Comparator && $this->namesPeople($part->words),
        );
        $isOfPeople = $compared !== [] && in_array(ConceptRole::Population, array_column($parts, 'role'), true);

        return ! $isOfPeople ? $parts : array_map(fn (AskedPart $part): AskedPart => $part->as(match ($part->role) {
            ConceptRole::Population => ConceptRole::Exposure,
            ConceptRole::Exposure => ConceptRole::Outcome,
            default => $part->role,
        }), $parts);
    }

    /**
     * @param  list<AskedPart>  $parts
     * @param  list<string>  $words  that belong to the last of them
     * @return list<AskedPart>
     */
    private static function joined(array $parts, array $words): array
    {
        $last = array_pop($parts);

        return $last === null ? $parts : [...$parts, new AskedPart($last->role, [...$last->words, ...$words])];
    }

    /** @param  list<string>  $words */
    private function namesPeople(array $words): bool
    {
        $stems = Stem::all(implode(' ', $words));
        // "moving patients" is something done, "hospital staff" are people whatever a thesaurus has
        $isThing = count($stems) > 1 && $this->families->isCommon($stems);

        return ! $isThing && People::meant($stems) !== null;
    }

    /** @param  list<ConceptRole>  $before */
    private function directed(string $mark, bool $afterVerb, array $before, QuestionKind $kind): ConceptRole
    {
        $hasExposure = in_array(ConceptRole::Exposure, $before, true);
        $hasOutcome = in_array(ConceptRole::Outcome, $before, true);

        return match (true) {
            in_array($mark, ['more', 'done'], true) && ! $hasOutcome => ConceptRole::Outcome,
            $mark === 'of' && end($before) === ConceptRole::Population => ConceptRole::Setting,
            $mark === 'of' && end($before) === ConceptRole::Exposure && ! $afterVerb => ConceptRole::Exposure,
            in_array($mark, ['with', 'by', 'from'], true) && $hasExposure && ! $afterVerb => ConceptRole::Exposure,
            $mark === 'with' && end($before) === ConceptRole::Population => ConceptRole::Setting,
            in_array($mark, ['with', 'by', 'from'], true) && ! $hasExposure => ConceptRole::Exposure,
            $mark === 'than' && $kind === QuestionKind::Comparison && $before !== [] => ConceptRole::Comparator,
            $mark === 'side' => ConceptRole::Exposure,
            $mark === 'if' && ! $hasExposure => ConceptRole::Exposure,
            $mark === 'for' &&
                $hasExposure &&
                ! $hasOutcome &&
                in_array(ConceptRole::Comparator, $before, true) => ConceptRole::Outcome,
            in_array($mark, ['when', 'among'], true) && $before !== [] => ConceptRole::Setting,
            $mark === 'for' && $hasExposure && ! $afterVerb => ConceptRole::Setting,
            $afterVerb && ! $hasOutcome => ConceptRole::Outcome,
            default => $hasExposure && $hasOutcome ? ConceptRole::Setting : ConceptRole::Exposure,
        };
    }

    /** @param  list<ConceptRole>  $before */
    private function undirected(string $mark, array $before): ConceptRole
    {
        $isFurther = in_array(ConceptRole::Outcome, $before, true) &&
            in_array($mark, ['when', 'among', 'if', 'with', 'by', 'from'], true);

        return $isFurther ? ConceptRole::Setting : ConceptRole::Outcome;
    }

    /**
     * A question of which only one thing is understood asks for that.
     *
     * @param  list<AskedPart>  $parts
     * @return list<AskedPart>
     */
    private function withOutcome(array $parts): array
    {
        $roles = array_column($parts, 'role');
        if (in_array(ConceptRole::Outcome, $roles, true)) {
            return $parts;
        }
        foreach ([ConceptRole::Setting, ConceptRole::Exposure] as $role) {
            $at = array_keys($roles, $role, true);
            $last = end($at);
            if ($last !== false && ($role !== ConceptRole::Setting || in_array(ConceptRole::Exposure, $roles, true))) {
                $parts[$last] = $parts[$last]->as(ConceptRole::Outcome);

                return array_values($parts);
            }
        }

        return $parts;
    }

    /**
     * @param  list<string>  $words
     * @return list<ConceptSlot>
     */
    private function slots(array $words, ConceptRole $role): array
    {
        $written = Words::of(implode(' ', $words));
        $stems = array_map(Stem::of(...), $written);
        if ($role === ConceptRole::Population && ($people = People::meant($stems)) !== null) {
            return [
                new ConceptSlot(
                    $stems,
                    array_map(Stem::all(...), $people),
                    words: [implode(' ', $written), ...$people],
                ),
            ];
        }
        $slots = [];
        for ($i = 0; $i < count($stems); $i += count($slot->own)) {
            $slots[] = $slot = $this->slotAt($stems, $written, $i);
        }

        return $this->weighed($slots);
    }

    /**
     * @param  list<string>  $stems
     * @param  list<string>  $written
     * @return ConceptSlot of the longest phrase known from here on
     */
    private function slotAt(array $stems, array $written, int $from): ConceptSlot
    {
        for ($length = min($this->families->longest(), count($stems) - $from); $length > 0; $length--) {
            $phrase = array_slice($stems, $from, $length);
            $kin = $this->families->of($phrase);
            if ($kin !== null) {
                $words = array_unique([implode(' ', array_slice($written, $from, $length)), ...$kin->words]);

                return new ConceptSlot($phrase, $kin->same, $kin->contrary, words: array_values($words));
            }
        }

        return new ConceptSlot([$stems[$from]], words: [$written[$from]]);
    }

    /**
     * The last word of a phrase says what it is about, those before describe it.
     *
     * @param  list<ConceptSlot>  $slots
     * @return list<ConceptSlot>
     */
    private function weighed(array $slots): array
    {
        $last = count($slots) - 1;

        return array_map(
            fn (ConceptSlot $slot, int $i): ConceptSlot => $slot->weighing($i === $last ? 1.0 : 0.6),
            $slots,
            array_keys($slots),
        );
    }
}

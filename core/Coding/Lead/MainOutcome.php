<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Text\Words;

/** The outcome that a paper calls its main one, and how much a passage speaks of it. */
final readonly class MainOutcome
{
    private const MAIN = '(?:primary|main|principal|chief)\s+(?:\p{L}+\s+){0,2}?'.
        '(?:outcomes?|end[ -]?points?|measures?|variable|criterion|result)';

    private const NAMED = '\b'.self::MAIN.'\b|\b(?:judgement criterion|outcome of (?:main |primary )?interest|'.
        'powered on|outcomes? (?:was|were)|we measured|was (?:measured|assessed))\b';

    /** @param  array<string, true>  $stems */
    private function __construct(public ?Passage $passage, public string $text, private array $stems)
    {
    }

    public static function of(Passages $paper): self
    {
        return $paper->once('main outcome', fn (): self => self::found($paper));
    }

    private static function found(Passages $paper): self
    {
        $best = null;
        $most = 0.0;
        foreach ($paper->told() as $passage) {
            $score = self::mayName($passage) ? self::score($passage) : 0.0;
            if ($score > $most) {
                [$best, $most] = [$passage, $score];
            }
        }
        if ($best === null) {
            return new self(null, '', self::stems($paper->title()->text ?? ''));
        }
        $text = self::named($best->text);

        return new self($best, $text, self::stems($text));
    }

    private static function mayName(Passage $passage): bool
    {
        return ! $passage->isRow() &&
            $passage->kind !== BlockKind::Heading &&
            ! Traps::isCited($passage) &&
            $passage->has(self::NAMED);
    }

    private static function score(Passage $passage): float
    {
        $isStrong = $passage->has('\b(?:primary|main|principal|chief)\b');
        $isSentence = $passage->has('\b(?:was|is|were|will be|named|chosen|served as|:)');

        return ($isStrong ? 2.0 : 0.5) +
            ($isSentence ? 0.6 : 0.0) -
            ($passage->has('\bsecondary\b') ? 0.3 : 0.0) -
            ($passage->has('analysis|difference|CI\b|effect on') ? 0.7 : 0.0) +
            match ($passage->section) {
                SectionKind::Methods => 0.8,
                SectionKind::Abstract => 0.5,
                SectionKind::Introduction, SectionKind::Discussion => -0.6,
                default => 0.0,
            };
    }

    public function isNamed(): bool
    {
        return $this->passage?->has('\b(?:primary|main|principal|chief)\b') === true;
    }

    /** Results that speak of other outcomes, of parts of the people, or of another way to reckon. */
    private const BESIDE = '\b(?:secondary|subgroup|interaction|stronger in|below \d+ years|per[ -]protocol|'.
        'sensitivity|counting|'.
        'imput\w+|exploratory|post hoc|unadjusted|crude|baseline)\b';

    /** @return iterable<Passage> where its results may stand */
    public function results(Passages $paper): iterable
    {
        foreach ($paper->told() as $passage) {
            $isElsewhere = $passage->section === SectionKind::Introduction || Traps::isCited($passage);
            if (! $isElsewhere && ! Traps::isPlanned($passage->text)) {
                yield $passage;
            }
        }
    }

    /** How much a passage counts as one that gives its result; what comes first counts a little more. */
    public function weight(Passage $passage): float
    {
        return Traps::trust($passage->section) +
            1.2 * $this->share($passage->text) +
            ($passage->has('\b(?:primary|main|principal)\b') ? 0.7 : 0.0) -
            ($passage->has(self::BESIDE) ? 0.7 : 0.0) -
            $passage->number * 0.0015;
    }

    /** Between 0 and 1. */
    public function share(string $text): float
    {
        if ($this->stems === []) {
            return 0.0;
        }

        return min(1.0, count(array_intersect_key(self::stems($text), $this->stems)) / min(4, count($this->stems)));
    }

    /** What stands on the other side of the verb from "primary outcome". */
    private static function named(string $sentence): string
    {
        $name = '(?:'.self::MAIN.'(?: measure)?s?|outcome of (?:main |primary )?interest)';
        foreach (
            [
                "/^(.+?),?\s+(?:was|were|is|are|served as|formed|had been)\s+(?:chosen as |named as |taken as )?(?:the |our |its )?{$name}\b/iu",
                "/^([^,;]{3,80}), (?:the|our|its) {$name},/iu",
                "/\b{$name},\s+(?!(?:as|which|\p{L}+ed|chosen)\b)([^,;]{4,80}),\s+(?:was|were|is|are)\b/iu",
                '/\bpowered on\s+(.+)$/iu',
                "/\b{$name}\b[^.:]{0,60}?(?:\bwas\b|\bwere\b|\bis\b|\bare\b|\bwill be\b|:)\s*(.+)$/iu",
                "/\b{$name}\b[^.:]{0,30}?,\s*(.+)$/iu",
            ] as $pattern
        ) {
            if (preg_match($pattern, $sentence, $found) === 1) {
                return self::short($found[1]);
            }
        }

        return self::short($sentence);
    }

    private static function short(string $text): string
    {
        $words = preg_split('/\s+/u', trim($text, ' .;,')) ?: [];

        return implode(' ', array_slice($words, 0, 28));
    }

    /** @return array<string, true> */
    private static function stems(string $text): array
    {
        $stems = [];
        foreach (Words::of($text) as $word) {
            if (
                mb_strlen($word) > 3 &&
                preg_match(
                    '/^(?:primary|main|outcome|measure|were|with|from|that|over|last|each|after|weeks?|months?|days?|'.
                    'using|score|total|mean|between|study|trial|effects?|group)/u',
                    $word,
                ) !== 1
            ) {
                $stems[mb_substr($word, 0, 6)] = true;
            }
        }

        return $stems;
    }
}

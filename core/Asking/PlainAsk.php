<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/** A question to the data of a review in plain words: what it is about, in stems, and whether it asks for an extreme. */
final readonly class PlainAsk
{
    private const EMPTY_WORDS = 'a an the of in on at to for from by with without and or not no nor is are was were be been do does did has have had it '
        .'its this that these those which who whom whose what when where why how many much any all some there they them their than then as about '
        .'into between among each per can could may might should would will we our us you your i me my tell say says said show shows shown give '
        .'gives given find finds found report reports reported study studies paper papers trial trials one ones most least largest smallest biggest '
        .'strongest weakest highest lowest best worst more less so such only just also very answer evidence finding findings review reviews';

    /** The longest name of a heading that is taken as one. */
    private const LONGEST = 4;

    /**
     * @param  list<list<list<string>>>  $terms  each as the phrases that say it, each phrase as its stems; the first as it was asked
     * @param  list<Extreme>  $extremes  what it asks the most of
     */
    private function __construct(public string $text, public array $terms, public array $extremes)
    {
    }

    public static function read(string $text, Families $families = new Families()): self
    {
        $empty = array_flip(Words::of(self::EMPTY_WORDS));
        $words = array_values(array_filter(Words::of($text), fn (string $word): bool => ! isset($empty[$word])));
        $stems = array_map(Stem::of(...), $words);
        $terms = [];
        for ($at = 0; $at < count($stems); $at += count($phrases[0])) {
            $terms[] = $phrases = self::longest($stems, $at, $families);
        }

        return new self(trim($text), $terms, Extreme::in($text));
    }

    /** Whether nothing can be looked for. */
    public function isEmpty(): bool
    {
        return $this->terms === [];
    }

    /**
     * Words of the question as they were asked.
     *
     * @param  list<string>  $terms  stems of each, with spaces between
     * @return list<string>
     */
    public function asked(array $terms): array
    {
        $stems = array_merge([], ...array_map(fn (string $term): array => explode(' ', $term), $terms));

        return array_values(array_filter(Words::of($this->text), fn (string $word): bool => in_array(Stem::of($word), $stems, true)));
    }

    /** @return list<string> every stem that would say something of it */
    public function stems(): array
    {
        return array_values(array_unique(array_merge([], ...array_merge([], ...$this->terms))));
    }

    /**
     * @param  list<string>  $stems
     * @return non-empty-list<list<string>> the phrases that say the longest term from here; the first as it was asked
     */
    private static function longest(array $stems, int $at, Families $families): array
    {
        for ($length = min(self::LONGEST, count($stems) - $at); $length > 0; $length--) {
            $phrase = array_slice($stems, $at, $length);
            $kin = $families->of($phrase);
            if ($kin !== null) {
                // more of the contrary is less of the thing: it speaks of the same
                $others = array_filter([...$kin->same, ...$kin->contrary], fn (array $one): bool => $one !== $phrase);

                return [$phrase, ...array_values($others)];
            }
        }

        return [[$stems[$at]]];
    }
}

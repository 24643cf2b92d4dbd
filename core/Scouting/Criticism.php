<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\Signs;
use WaryHeron\Core\Text\Stem;

/** What other records say against one: comments, corrections and retractions of it, and findings that go the other way. */
final class Criticism
{
    private const DOUBT = '/\b(?:however|not|error|withdrawn|overlooked|trouble|biased?|corrected|unproven)\b/iu';

    /** A comment's title repeats so much of what it speaks of. */
    private const REPEATED = 0.6;

    /** Of its words at least so many, when its first author is named as well. */
    private const NAMED_REPEATED = 0.3;

    /**
     * Records that speak of other people's work.
     *
     * @param  list<ReadRecord>  $records
     * @return list<ReadRecord>
     */
    public static function remarks(array $records): array
    {
        return array_values(array_filter(
            $records,
            fn (ReadRecord $one): bool => $one->title->has(Signs::LETTER) || $one->count(Signs::SECONDHAND) > 0,
        ));
    }

    /**
     * Records that comment on it or correct it.
     *
     * @param  list<ReadRecord>  $others  those that remarks() leaves of all
     * @return list<Remark>
     */
    public static function comments(ReadRecord $record, array $others): array
    {
        $comments = [];
        foreach ($others as $other) {
            if ($other->id !== $record->id && self::isAbout($other, $record)) {
                $comments[] = new Remark($other->id, self::telling($other));
            }
        }

        return $comments;
    }

    /**
     * Findings on the same question that point another way.
     *
     * @param  list<Finding>  $findings
     * @return list<Finding> the surest first
     */
    public static function contrary(Finding $finding, array $findings): array
    {
        $against = match ($finding->direction) {
            Direction::More => [Direction::Less, Direction::NoDifference],
            Direction::Less => [Direction::More, Direction::NoDifference],
            Direction::NoDifference => [Direction::More, Direction::Less],
            default => [],
        };
        $contrary = array_filter(
            $findings,
            fn (Finding $one): bool => $one->sentence !== '' && in_array($one->direction, $against, true),
        );
        usort($contrary, fn (Finding $a, Finding $b): int => $b->score <=> $a->score);

        return $contrary;
    }

    /** Whether a remark is about this record: it repeats its title, or names its author and some of its title. */
    public static function isAbout(ReadRecord $other, ReadRecord $record): bool
    {
        $author = $record->author;
        $own = array_filter(Stem::all($record->title->text), fn (string $stem): bool => mb_strlen($stem) > 3);
        $its = ' '.implode(' ', Stem::all($other->title->text)).' ';
        $repeated = $own === []
            ? 0.0
            : count(array_filter($own, fn (string $stem): bool => str_contains($its, " {$stem} "))) / count($own);
        $names = $author !== '' && $other->has('/\b'.preg_quote($author, '/').'\b/u');

        return $repeated >= self::REPEATED ||
            ($names && $repeated >= self::NAMED_REPEATED) ||
            ($names && $other->has(Signs::SECONDHAND));
    }

    private static function telling(ReadRecord $comment): string
    {
        $best = '';
        $most = -1;
        foreach ($comment->sentences as $sentence) {
            $worth = ($sentence->has(Signs::FIGURE) ? 1 : 0) +
                ($sentence->has(Signs::STATISTIC) ? 2 : 0) +
                ($sentence->has(self::DOUBT) ? 1 : 0);
            if ($worth > $most) {
                [$most, $best] = [$worth, $sentence->text];
            }
        }

        return $best;
    }
}

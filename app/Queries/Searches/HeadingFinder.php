<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\Review;
use App\Queries\Searches\Heading\FoundHeading;
use App\Queries\Searches\Heading\FoundHeadings;
use App\Queries\Searches\Heading\HeadingCounts;
use App\Queries\Searches\Heading\OtherMeaning;
use App\Sources\Counts;
use App\Sources\Page;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Offers\LostItem;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Heading;
use WaryHeron\Core\Search\Query\Node\Limit;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Phrase;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Text\Words;
use WaryHeron\Core\Vocabulary\Offer;
use WaryHeron\Core\Vocabulary\Why;

/**
 * From a typed word to headings, with their reasons, their counts, and a warning where the word means several things.
 */
final readonly class HeadingFinder
{
    private const OFFERS = 12;

    private const SAMPLE = 60;

    private const SECONDS = 2.0;

    /** Headings of the sample that are counted. */
    private const TALLIED = 10;

    /**
     * A heading is told of where such a share of the records with the word carry it, so many times oftener than all
     * records do.
     */
    private const CARRIED = 0.08;

    private const LIFT = 2.5;

    private const MOST_CARRIED = 4;

    public function __construct(private Compiler $compiler, private Counts $counts, private Sources $sources)
    {
    }

    public function find(Review $review, Headings $headings, string $typed): FoundHeadings
    {
        $offers = $headings->offers($typed);
        $caution = $headings->ambiguous($offers);
        $source = $headings->scheme->source;
        [$carried, $failure] = [[], ''];
        try {
            $first = self::labels(array_slice($offers, 0, self::OFFERS));
            $carried = $source === null ? [] : $this->carried($review, $headings, $source, $typed, $first);
        } catch (SourceFailed $failed) {
            $failure = $failed->getMessage();
        }
        $rows = self::rows($headings, $offers, $carried, $typed);
        $counts = $this->headingCounts($review, $source, [...array_keys($rows), ...self::labels($caution)]);
        $counted = fn (string $label): HeadingCounts => $counts[$label] ?? new HeadingCounts();

        return new FoundHeadings(
            array_map(fn (FoundHeading $row): FoundHeading => $row->counted($counted($row->label)), array_values($rows)),
            array_map(
                fn (string $label): OtherMeaning => new OtherMeaning($label, $counted($label)->own),
                self::labels($caution),
            ),
            $failure,
        );
    }

    /**
     * @param  array<Offer>  $offers
     * @return list<string>
     */
    private static function labels(array $offers): array
    {
        return array_map(fn (Offer $offer): string => $offer->concept->label, array_values($offers));
    }

    /**
     * What is like the word, then what records with it carry, then what is like it only from afar.
     *
     * @param  list<Offer>  $offers
     * @param  array<string, string>  $carried  why, by heading
     * @return array<string, FoundHeading> by heading
     */
    private static function rows(Headings $headings, array $offers, array $carried, string $typed): array
    {
        $isStrong = fn (Offer $offer): bool => $offer->why->rank() <= Why::Stem->rank();
        $strong = array_filter($offers, $isStrong);
        $weak = array_filter($offers, fn (Offer $offer): bool => ! $isStrong($offer));
        $rows = [];
        foreach (array_slice($strong, 0, self::OFFERS) as $offer) {
            $rows[$offer->concept->label] = FoundHeading::of($offer->concept, $offer->reason($typed));
        }
        foreach ($carried as $label => $reason) {
            $concept = $headings->labelled($label);
            if ($concept !== null) {
                $said = $rows[$concept->label] ?? null;
                $rows[$concept->label] = $said?->also($reason) ?? FoundHeading::of($concept, $reason);
            }
        }
        foreach (array_slice($weak, 0, max(0, self::OFFERS - count($rows))) as $offer) {
            $rows[$offer->concept->label] ??= FoundHeading::of($offer->concept, $offer->reason($typed));
        }

        return $rows;
    }

    /**
     * Own and exploded counts of headings.
     *
     * @param  list<string>  $labels
     * @return array<string, HeadingCounts> by heading; none where they cannot be counted
     */
    public function headingCounts(Review $review, ?string $source, array $labels): array
    {
        if ($source === null || $labels === []) {
            return [];
        }
        $texts = [];
        foreach (array_unique($labels) as $label) {
            $texts[$label] = [
                $this->compiler->compile($review, $source, new Heading($label))->text,
                $this->compiler->compile($review, $source, new Heading($label, true))->text,
            ];
        }

        return $this->countsOf($source, $texts);
    }

    /**
     * @param  array<string, array{string, string}>  $texts  of the heading alone, and with those below it
     * @return array<string, HeadingCounts>
     */
    private function countsOf(string $source, array $texts): array
    {
        try {
            $counts = $this->counts->of($source, array_merge(...array_values($texts)), self::SECONDS);
        } catch (SourceFailed) {
            return [];
        }
        $number = fn (string $text): ?int => is_int($counts[$text] ?? null) ? $counts[$text] : null;

        return array_map(
            fn (array $both): HeadingCounts => new HeadingCounts($number($both[0]), $number($both[1])),
            $texts,
        );
    }

    /**
     * Headings that many records with the word in their title carry, each with the share of them.
     *
     * @param  list<string>  $offered
     * @return array<string, string> reasons by heading
     */
    private function carried(Review $review, Headings $headings, string $source, string $typed, array $offered): array
    {
        $words = array_map(fn (string $word): Word => new Word($word), array_slice(Words::of($typed), 0, 6));
        if ($words === []) {
            return [];
        }
        $title = new Fielded([Field::Title], count($words) === 1 ? $words[0] : new Phrase($words));
        $compile = fn (Node $node): string => $this->compiler->compile($review, $source, $node)->text;
        $page = $this->sources->get($source)->page($compile($title), 1, self::SAMPLE);
        if ($page->total < 5) {
            return [];
        }
        $often = array_slice(self::keywords($page), 0, self::TALLIED);
        $labels = array_values(
            array_filter(array_unique([...$often, ...array_slice($offered, 0, 5)]), $headings->has(...)),
        );
        $queries = ['' => Limit::years(1000, 2999)];
        foreach ($labels as $label) {
            $queries["own/{$label}"] = new Heading($label);
            $queries["both/{$label}"] = new Operation(Operator::And, [$title, new Heading($label)]);
        }
        $counts = $this->counted($source, array_map($compile, $queries));
        $reasons = [];
        foreach (self::weighed($labels, $counts, $page->total) as $label) {
            $percent = round((100 * (int) $counts["both/{$label}"]) / $page->total);
            $reasons[$label] =
                'of '.number_format($page->total)." records with “{$typed}” in the title, {$percent} % carry it";
        }

        return $reasons;
    }

    /** @return list<string> of the records, those without what a subheading adds, the most frequent first */
    private static function keywords(Page $page): array
    {
        $tally = [];
        foreach ($page->records as $record) {
            foreach ($record instanceof Reference ? $record->keywords : [] as $keyword) {
                $label = trim((string) strtok($keyword, '/'));
                $tally[$label] = ($tally[$label] ?? 0) + 1;
            }
        }
        arsort($tally);

        return array_map(strval(...), array_keys($tally));
    }

    /**
     * @param  array<string, string>  $texts
     * @return array<string, ?int> null where it could not be counted
     */
    private function counted(string $source, array $texts): array
    {
        $counts = $this->counts->of($source, array_values($texts), self::SECONDS);

        return array_map(
            fn (string $text): ?int => is_int($counts[$text] ?? null) ? $counts[$text] : null,
            $texts,
        );
    }

    /**
     * @param  list<string>  $labels
     * @param  array<string, ?int>  $counts  of all records, and of each heading alone and with the word
     * @return list<string> those that say something of the word, the most telling first
     */
    private static function weighed(array $labels, array $counts, int $total): array
    {
        $weights = [];
        foreach ($labels as $label) {
            [$own, $both] = [$counts["own/{$label}"] ?? 0, $counts["both/{$label}"] ?? 0];
            // one that records carry as often whatever they are about says nothing of the word
            $base = $own / max(1, $counts[''] ?? 0, $own);
            if ($both / $total >= self::CARRIED && $both / $total >= self::LIFT * $base) {
                $weights[$label] = LostItem::logLikelihood($both, $total, $base);
            }
        }
        arsort($weights);

        return array_map(strval(...), array_keys(array_slice($weights, 0, self::MOST_CARRIED, true)));
    }
}

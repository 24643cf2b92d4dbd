<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Models\KnownItem;
use App\Models\Review;
use App\Sources\QueryCounts;
use App\Sources\Sources;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Offers\Candidate;
use WaryHeron\Core\Search\Offers\CandidateCount;
use WaryHeron\Core\Search\Offers\ConceptPlace;
use WaryHeron\Core\Search\Offers\Ground;
use WaryHeron\Core\Search\Offers\LostItem;
use WaryHeron\Core\Search\Offers\LostOffer;
use WaryHeron\Core\Search\Offers\TitlePhrases;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Vocabulary\ConceptScheme;

/** What would have caught a known item that a concept of a strategy loses, with what it would bring besides. */
final readonly class LostItemOffers
{
    /** Names of a record that are looked up in the thesaurus. */
    private const NAMES = 800;

    private const SAMPLE = 60;

    /** Candidates without a place whose records are looked at. */
    private const SAMPLED = 5;

    public function __construct(
        private Compiler $compiler,
        private QueryCounts $counts,
        private KnownItemLook $look,
        private Sources $sources,
    ) {
    }

    /**
     * @param  list<string>  $lost  ids of the blocks that lose it
     * @return array<string, list<OfferedTerm>> by block
     *
     * @throws \App\Sources\SourceFailed
     */
    public function of(Review $review, Lines $lines, KnownItem $item, string $source, array $lost): array
    {
        $record = $lost === [] ? null : $this->look->record($review, $item, $source);
        if ($record === null) {
            return [];
        }
        $concepts = StrategyConcepts::of($lines);
        $headings = $this->headings($review, $source);
        $placed = $headings === null ? [] : $headings->placed(self::names($record));
        $offers = [];
        foreach (array_intersect(array_keys($concepts->queries), $lost) as $id) {
            $others = array_values(array_diff(array_map(strval(...), array_keys($concepts->queries)), [$id]));
            $together = self::together(array_map(fn (string $other): Node => $concepts->queries[$other], $others));
            $typical = fn (): array => $this->typical($review, $source, $concepts->queries[$id], $together);
            $own = $concepts->place([$id], $headings, $typical);
            $theirs = $concepts->place($others, $headings);
            [$title, $abstract, $keywords] = [$record->title, $record->abstract, $record->keywords];
            $candidates = LostItem::candidates($title, $abstract, $keywords, $own, $theirs, $placed);
            $candidates = $headings === null
                ? $candidates
                : $this->inCompany($review, $source, $headings, $candidates, $own, $theirs, $together);
            $offers[$id] = $this->counted($review, $source, $candidates, $concepts->queries[$id], $together);
        }

        return $offers;
    }

    /** Of the database's own thesaurus, or of the first there is. */
    private function headings(Review $review, string $source): ?Headings
    {
        $scheme = $this->sources->has($source) ? Headings::ofSource($source, $review) : null;
        $first = Headings::schemes($review)->first();

        return $scheme ?? ($first === null ? null : new Headings($first, $review));
    }

    /** @param  list<Node>  $queries */
    private static function together(array $queries): ?Node
    {
        return match (count($queries)) {
            0 => null,
            1 => $queries[0],
            default => new Operation(Operator::And, $queries),
        };
    }

    /** @return list<string> headings that tell a concept's records from those of the others */
    private function typical(Review $review, string $source, Node $block, ?Node $together): array
    {
        return $together === null
            ? []
            : ConceptPlace::typical(
                $this->carried($review, $source, $block),
                $this->carried($review, $source, new Operation(Operator::Not, [$together, $block])),
            );
    }

    /** @return list<list<string>> headings of some records */
    private function carried(Review $review, string $source, Node $query): array
    {
        $records = $this->sources
            ->get($source)
            ->page($this->compiler->compile($review, $source, $query)->text, 1, self::SAMPLE)->records;
        $labels = fn (Reference $record): array => array_map(
            fn (string $keyword): string => trim((string) strtok($keyword, '/')),
            $record->keywords,
        );

        return array_map(fn (object $record): array => $record instanceof Reference ? $labels($record) : [], $records);
    }

    /**
     * Those that the thesaurus places, and of the others those that records of the concept's kind have.
     *
     * @param  list<Candidate>  $candidates
     * @return list<Candidate>
     */
    private function inCompany(
        Review $review,
        string $source,
        Headings $headings,
        array $candidates,
        ConceptPlace $own,
        ConceptPlace $theirs,
        ?Node $together,
    ): array {
        $isWord = fn (Candidate $one): bool => in_array($one->ground, [Ground::PhraseOfTitle, Ground::WordOfTitle], true);
        $unplaced = array_filter($candidates, $isWord);
        if ($unplaced === [] || $own->above === [] || $together === null) {
            return $candidates;
        }
        $usual = $this->carried($review, $source, $together);
        $kept = array_diff_key($candidates, $unplaced);
        foreach (array_slice($unplaced, 0, self::SAMPLED) as $candidate) {
            $carried = $this->carried($review, $source, new Fielded([Field::Title], $candidate->node));
            $typical = array_map(ConceptScheme::folded(...), ConceptPlace::typical($carried, $usual));
            if (LostItem::keepsCompanyWith(array_values($headings->placed($typical)), $own, $theirs)) {
                $kept[] = $candidate;
            }
        }

        return array_values($kept);
    }

    /** @return list<string> folded */
    private static function names(Reference $record): array
    {
        $labels = array_map(
            fn (string $keyword): string => ConceptScheme::folded((string) strtok($keyword, '/')),
            $record->keywords,
        );

        return array_slice(
            array_values(
                array_unique([
                    ...$labels,
                    ...TitlePhrases::of($record->title),
                    ...TitlePhrases::names("{$record->title}. {$record->abstract}"),
                ]),
            ),
            0,
            self::NAMES,
        );
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return list<OfferedTerm>
     */
    private function counted(Review $review, string $source, array $candidates, Node $block, ?Node $together): array
    {
        $counts = $this->counts->of($review, $source, self::questions($candidates, $block, $together));
        $base = ($counts['both'] ?? 0) / max(1, $counts['others'] ?? 0);
        $by = [];
        foreach ($candidates as $candidate) {
            $by[$candidate->text] = new CandidateCount(
                $counts["own/{$candidate->text}"] ?? 0,
                $counts["shared/{$candidate->text}"] ?? 0,
                ($counts["setting/{$candidate->text}"] ?? 0) / max(1, $counts['others'] ?? 0),
            );
        }

        return array_map(function (LostOffer $offer): OfferedTerm {
            $more = $offer->own - $offer->shared;
            $brings = number_format($more).' more '.Str::plural('record', $more);

            return new OfferedTerm(
                $offer->candidate->text,
                "{$offer->candidate->ground->words()}; it would bring {$brings}",
            );
        }, LostItem::ranked($candidates, $by, $base));
    }

    /**
     * @param  list<Candidate>  $candidates
     * @return array<string, Node> each alone, with its block, and with all the others; and these without it
     */
    private static function questions(array $candidates, Node $block, ?Node $together): array
    {
        $both = fn (Node $one, Node $other): Node => new Operation(Operator::And, [$one, $other]);
        $queries = $together === null ? [] : ['others' => $together, 'both' => $both($together, $block)];
        foreach ($candidates as $candidate) {
            $queries["own/{$candidate->text}"] = $candidate->node;
            $queries["shared/{$candidate->text}"] = $both($candidate->node, $block);
            if ($together !== null) {
                $queries["setting/{$candidate->text}"] = $both($candidate->node, $together);
            }
        }

        return $queries;
    }
}

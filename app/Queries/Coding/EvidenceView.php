<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\FullTexts\PaperPages;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Selector\Finder;

/**
 * Evidence as it is shown: where a better copy has replaced the one it was taken from, at its words in that; and with the
 * report, where it is of another than the one with which its study is coded. What is kept stays as it was given.
 */
final class EvidenceView
{
    /** @var array<string, array<int, Page>> by copy */
    private array $pages = [];

    /**
     * @param  array<string, string>  $reports  how the report is called, by copy of others than the one that is coded
     * @param  array<string, string>  $newer  the newest copy, by the one that it replaced
     */
    private function __construct(
        private readonly string $reviewId,
        private readonly array $reports,
        private readonly array $newer,
    ) {
    }

    /** @param  ?Publication  $of  only evidence of its study */
    public static function of(Review $review, ?Publication $of = null): self
    {
        return new self($review->id, self::reports($review, $of), self::newer($review));
    }

    public function shown(Evidence $piece): ShownEvidence
    {
        $now = $this->now($piece);
        $report = $this->reports[$now->copy ?? ''] ?? '';
        $isLeft = $now === $piece && isset($this->newer[$piece->copy ?? '']);

        return new ShownEvidence(
            $now,
            ($report === '' ? '' : "{$report}, ").$now->whereabouts().($isLeft ? ' of the older copy' : ''),
        );
    }

    /** Where its words stand in the newest copy; as it was where they are not found there, or no copy replaced its own. */
    public function now(Evidence $piece): Evidence
    {
        $newer = $this->newer[$piece->copy ?? ''] ?? null;
        if ($newer === null) {
            return $piece;
        }
        $found = Finder::inPaper(array_values($this->pages($newer)), $piece->selector);

        return $found === null ? $piece : new Evidence($found, $newer, $piece->place);
    }

    /** @return array<int, Page> */
    private function pages(string $copy): array
    {
        return $this->pages[$copy] ??= PaperPages::of($this->reviewId, $copy);
    }

    /** @return array<string, string> */
    private static function reports(Review $review, ?Publication $of): array
    {
        if ($of !== null && $of->study_id === null) {
            return [];
        }

        return FullText::query()
            ->with('publication')
            ->where('review_id', $review->id)
            ->whereHas('publication', fn (Builder $report) => $report
                ->whereNotNull('study_id')
                ->when($of !== null, fn (Builder $one) => $one->where('study_id', $of?->study_id))
                ->whereNotIn('publications.id', CodedReports::of($review)->select('publication_id')))
            ->get(['id', 'publication_id'])
            ->mapWithKeys(fn (FullText $one): array => [$one->id => $one->publication?->called() ?? ''])
            ->all();
    }

    /** @return array<string, string> */
    private static function newer(Review $review): array
    {
        /** @var array<string, string> $next */
        $next = DB::table('full_texts')
            ->where('review_id', $review->id)
            ->whereNotNull('replaced_by')
            ->pluck('replaced_by', 'id')
            ->all();

        return array_map(function (string $copy) use ($next): string {
            while (isset($next[$copy])) {
                $copy = $next[$copy];
            }

            return $copy;
        }, $next);
    }
}

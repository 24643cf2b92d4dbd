<?php

declare(strict_types=1);

namespace App\Queries\Deliveries;

use App\Models\Delivery;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\FullTexts\PublicationTexts;
use App\Queries\FullTexts\Studies;
use Illuminate\Database\Eloquent\Collection;

/** The included reports, and of each whether its list of references can be taken, or was. */
final readonly class ReferenceSources
{
    /**
     * @param  Collection<int, Publication>  $reports
     * @param  array<string, string>  $copies  that were read, by report
     * @param  Collection<string, Delivery>  $deliveries  of their lists, by copy
     */
    private function __construct(
        public Collection $reports,
        public array $copies,
        public Collection $deliveries,
    ) {
    }

    public static function of(Review $review): self
    {
        $reports = Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', Studies::includedReports($review))
            ->orderBy('first_author')
            ->orderBy('year')
            ->orderBy('id')
            ->get(['id', 'review_id', 'title', 'authors', 'first_author', 'year']);
        $copies = PublicationTexts::copies($review->id, array_values($reports->pluck('id')->all()));
        $deliveries = $review->deliveries()
            ->whereIn('full_text_id', array_values($copies))
            ->whereNull('withdrawn_at')
            ->get()
            ->keyBy('full_text_id');

        return new self($reports, $copies, $deliveries);
    }

    public function delivered(Publication $report): ?Delivery
    {
        return $this->deliveries->get($this->copies[$report->id] ?? '');
    }

    /** The copy whose list can be taken; null where there is none, or it was taken. */
    public function open(Publication $report): ?string
    {
        return $this->delivered($report) === null ? $this->copies[$report->id] ?? null : null;
    }

    /** @return list<string> copies whose lists can be taken */
    public function allOpen(): array
    {
        return array_values(array_filter(array_map($this->open(...), $this->reports->all())));
    }
}

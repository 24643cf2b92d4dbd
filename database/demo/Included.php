<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Screening\RecordDecision;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\Verdict;

/** Publications that are delivered, read in full and included by two, as far as a demo needs them. */
final readonly class Included
{
    public function __construct(
        private StartDelivery $start,
        private RecordDecision $decide,
        private SetRetrieval $retrieval,
    ) {
    }

    /**
     * @param  list<Reference>  $references
     * @param  list<User>  $readers  two
     * @param  array{string, string, string}  $told  file name, source and note of the delivery
     * @return Collection<int, Publication>
     */
    public function bring(Review $review, User $searcher, array $readers, array $references, array $told): Collection
    {
        [$file, $source, $note] = $told;
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($path, implode('', [...(new RisWriter())->write($references)]));
        $today = CarbonImmutable::now()->startOfDay();
        DeliverySlice::runHere(
            $this->start->ofFile($searcher, $review, $path, $file, $source, $today, $note, sourceKind: 'citation'),
        );
        unlink($path);
        $found = Publication::query()
            ->where('review_id', $review->id)
            ->whereHas('records', fn ($record) => $record->whereHas(
                'delivery',
                fn ($delivery) => $delivery->where('file_name', $file),
            ))
            ->orderBy('id')
            ->get();
        $ids = array_values($found->modelKeys());
        $this->include($review, $readers, $ids, $review->firstStage()->id);
        $this->retrieval->execute($searcher, $review, $ids, RetrievalState::Obtained, 'a printed copy', now());
        $this->include($review, $readers, $ids, $review->lastStage()->id);

        return $found;
    }

    /**
     * @param  list<User>  $readers
     * @param  array<int, string>  $publications
     */
    private function include(Review $review, array $readers, array $publications, string $stageId): void
    {
        $items = Item::query()
            ->where('review_id', $review->id)
            ->where('stage_id', $stageId)
            ->whereIn('publication_id', $publications)
            ->orderBy('position');
        foreach ($items->get() as $item) {
            foreach ($readers as $reader) {
                $this->decide->execute($reader, $item, Verdict::Include, null, '');
            }
        }
    }
}

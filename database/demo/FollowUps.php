<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\FullTexts\LinkReports;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Screening\ItemState;

/**
 * Two more reports of a trial that is included, found in reference lists: one is linked with it, of the other it is
 * still to be said.
 */
final readonly class FollowUps
{
    public function __construct(
        private Included $included,
        private LinkReports $link,
    ) {
    }

    /** @param  list<User>  $readers  two */
    public function find(Review $review, User $searcher, array $readers): void
    {
        [$trial, $people] = $this->trial($review);
        $found = $this->included->bring(
            $review,
            $searcher,
            $readers,
            [$this->afterAYear($trial, $people), $this->firstResults($trial, $people)],
            [
                'reference-lists.ris',
                'Reference lists of included reports',
                'Read for further reports of the same studies.',
            ],
        );
        $this->link->execute($readers[0], $review, [$trial->id, $found->firstOrFail()->id]);
    }

    /** @return array{Publication, string} a trial that is included, and how many of whom it had */
    private function trial(Review $review): array
    {
        $included = Publication::query()
            ->where('review_id', $review->id)
            ->where('title', 'ilike', '%trial%')
            ->whereHas(
                'items',
                fn ($item) => $item->where('stage_id', $review->lastStage()->id)->where('state', ItemState::Included),
            )
            ->orderBy('id')
            ->get();
        foreach ($included as $one) {
            if (
                preg_match(
                    '/\b(\d{2,3} (?:\p{L}+ ){0,4}?(?:staff|nurses|pharmacists|crews|doctors|residents|midwives))\b/u',
                    $one->abstract,
                    $told,
                ) === 1
            ) {
                return [$one, $told[1]];
            }
        }
        throw new \LogicException('No included trial says how many people it had.');
    }

    private function afterAYear(Publication $trial, string $people): Reference
    {
        return new Reference(
            PublicationType::Article,
            'Twelve months later: '.$this->topic($trial),
            $this->names($trial, 3),
            $trial->year + 1,
            (string) ($trial->year + 1),
            'Letters on Night Duty',
            volume: '7',
            firstPage: '41',
            lastPage: '46',
            abstract: "The {$people} of our randomised trial of light at work were asked again after twelve months. Alertness on night shifts was rated at the hours of the first round and compared between the groups. What had been gained was still there in half of the units.",
            id: 'R-1',
        );
    }

    private function firstResults(Publication $trial, string $people): Reference
    {
        return new Reference(
            PublicationType::Conference,
            'First results: '.$this->topic($trial),
            $this->names($trial, 2),
            $trial->year - 1,
            (string) ($trial->year - 1),
            'Meeting of the Tarvik Society for Night Work',
            firstPage: '12',
            abstract: "We report on the {$people} who were randomised to brighter light or to usual light on night shifts. Alertness was rated each hour and compared between the groups; errors are counted until spring.",
            id: 'R-2',
        );
    }

    /** Its title up to the colon, to go on a sentence. */
    private function topic(Publication $trial): string
    {
        return lcfirst(strtok($trial->title, ':') ?: $trial->title);
    }

    /** @return list<Name> */
    private function names(Publication $trial, int $most): array
    {
        return array_map(Name::indexed(...), array_slice(explode('; ', $trial->authors), 0, $most));
    }
}

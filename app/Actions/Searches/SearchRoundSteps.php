<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Actions\Screening\MakeShareOut;
use App\Actions\Shared\Refused;
use App\Jobs\Screening\RankItems;
use App\Models\Delivery;
use App\Models\Matching;
use App\Models\SearchRound;
use App\Models\StandingSearch;
use App\Models\User;
use App\Queries\Library\LibraryFilters;
use App\Queries\Screening\ShareOut\ShareOutDraft;
use App\Queries\Shared\Asked;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use App\Tasks\TaskState;
use Illuminate\Support\Collection;

/**
 * The steps of a round: the databases are asked, what is new is fetched, matched, put in order and shared out. Each says
 * the next; one that waits for work elsewhere says itself again.
 */
final readonly class SearchRoundSteps
{
    public function __construct(
        private RunStrategy $run,
        private StartDelivery $deliver,
        private StartMatching $match,
        private StartJoining $join,
        private MakeShareOut $share,
        private Sources $sources,
    ) {
    }

    /** @return string the step that comes next */
    public function execute(SearchRound $round): string
    {
        $standing = $round->standing;
        $by = $standing->setter;
        if (! $by->can('search', $standing->review) || ! $by->can('deliver', $standing->review)) {
            return $this->trouble(
                $round,
                "{$by->name}, in whose name it is run, may no longer search here.",
                SearchRound::DONE,
            );
        }

        return match ($round->step) {
            SearchRound::SEARCH => $this->search($round, $standing, $by),
            SearchRound::FETCH => $this->fetched($round),
            SearchRound::MATCH => $this->matched($round, $standing, $by),
            SearchRound::JOIN => $this->joined($standing),
            SearchRound::SHARE => $this->shared($round, $standing, $by),
            default => SearchRound::DONE,
        };
    }

    private function search(SearchRound $round, StandingSearch $standing, User $by): string
    {
        $runs = $deliveries = [];
        foreach (array_filter($standing->strategy->sources, $this->sources->has(...)) as $source) {
            try {
                $run = $this->run->execute($by, $standing->strategy, $source);
                $runs[] = $run->id;
                if ($run->total > 0) {
                    $deliveries[] = $this->deliver->ofRun($by, $run, onlyNew: true)->id;
                }
            } catch (SourceFailed|Refused $failed) {
                $this->trouble($round, $failed->getMessage(), '');
            }
        }
        $round->update(['runs' => $runs, 'deliveries' => $deliveries]);

        return SearchRound::FETCH;
    }

    private function fetched(SearchRound $round): string
    {
        /** @var Collection<int, Delivery> $deliveries */
        $deliveries = Delivery::query()->where('review_id', $round->review_id)->whereIn('id', $round->deliveries)->get();
        if ($deliveries->contains(fn (Delivery $one): bool => $one->isUnderWay())) {
            return SearchRound::FETCH;
        }
        foreach ($deliveries->where('state', 'failed') as $one) {
            $this->trouble($round, "{$one->source_name}: {$one->failure}", '');
        }
        $round->update(['records' => $deliveries->sum('kept'), 'publications' => $deliveries->sum('new')]);

        return $round->records === 0 ? SearchRound::DONE : SearchRound::MATCH;
    }

    private function matched(SearchRound $round, StandingSearch $standing, User $by): string
    {
        if ($round->matching_id === null) {
            try {
                $round->update(['matching_id' => $this->match->execute($by, $standing->review)->id]);
            } catch (Refused) {
                // somebody has them compared just now: theirs may have begun before ours came
                return SearchRound::MATCH;
            }
        }
        $matching = Matching::query()->findOrFail($round->matching_id);
        if ($matching->state->isUnderWay()) {
            return SearchRound::MATCH;
        }
        if ($matching->state !== TaskState::Done) {
            return $this->trouble($round, 'The records could not be compared.', SearchRound::SHARE);
        }
        if ($standing->joins) {
            try {
                $this->join->execute($by, $standing->review, $matching);
            } catch (Refused) {
                // they are being joined already: that is waited for as well
            }
        }

        return SearchRound::JOIN;
    }

    private function joined(StandingSearch $standing): string
    {
        return $standing->review->isAtWork('joining') ? SearchRound::JOIN : SearchRound::SHARE;
    }

    /** In the learned order where there is one, and among the people of the standing rule. */
    private function shared(SearchRound $round, StandingSearch $standing, User $by): string
    {
        $stage = $standing->review->refresh()->firstStage();
        if ($stage->ranked) {
            RankItems::dispatch($stage->id);
        }
        $people = $standing->review->memberships()->whereIn('user_id', $standing->people)->pluck('user_id')->all();
        if ($people === []) {
            return SearchRound::DONE;
        }
        $terms = [
            'pool' => 'free',
            'sample' => null,
            'percent' => null,
            'decisions' => $stage->required_decisions,
            'quotas' => array_fill_keys($people, null),
            'mode' => 'mixed',
            'seed' => crc32($round->id) & 0x7FFFFFFF,
        ];
        $filters = LibraryFilters::from(new Asked([], []), $standing->review, $by);
        $draft = ShareOutDraft::of($stage, $filters, $terms);
        if ($draft->publications === []) {
            return SearchRound::DONE;
        }
        try {
            $name = "New by “{$standing->strategy->name}”, {$round->began_at->format('j M Y')}";
            $made = $this->share->execute(
                $by,
                $stage,
                $filters,
                $terms,
                mb_strimwidth($name, 0, 118, '…'),
                count($draft->publications),
            );
            $round->update(['share_out_id' => $made->id]);
        } catch (Refused $refused) {
            return $this->trouble($round, "Not shared out: {$refused->getMessage()}", SearchRound::DONE);
        }

        return SearchRound::DONE;
    }

    private function trouble(SearchRound $round, string $words, string $next): string
    {
        $round->update(['trouble' => trim("{$round->trouble} {$words}")]);

        return $next;
    }
}

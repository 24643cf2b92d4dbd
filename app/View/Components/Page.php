<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Shared\Waterline;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\Component;

/** The frame around every page: the bar, and within a review the Waterline and the places of the area. */
final class Page extends Component
{
    public ?User $user;

    public ?Waterline $waterline = null;

    public bool $tasksRunning = false;

    public int $notices = 0;

    /** @var list<array{name: string, label: string, url: string}>|null */
    private ?array $places = null;

    public function __construct(
        public string $title,
        public ?Review $review = null,
        public string $stage = '',
        public string $place = '',
    ) {
        $user = Auth::user();
        $this->user = $user instanceof User ? $user : null;
        if ($this->user !== null) {
            $this->waterline = $review === null ? null : Waterline::of($review, $this->user);
            $this->notices = $this->user->unreadNotifications()->count();
            $this->tasksRunning = DB::table('tasks')
                ->where('user_id', $this->user->id)
                ->whereNull('seen_at')
                ->when($review !== null, fn ($of) => $of->where('review_id', $review?->id))
                ->exists();
        }
    }

    /** @return list<array{name: string, label: string, url: string}> the places within the current area */
    public function places(): array
    {
        return $this->places ??= $this->placesOfArea();
    }

    /** @return list<array{name: string, label: string, url: string}> */
    private function placesOfArea(): array
    {
        $places = match ($this->stage) {
            'question' => [
                'question' => 'Question and criteria',
                'scouting' => 'Scouting',
                'team' => 'Team',
                'log' => 'The Log',
            ],
            'searches' => [
                'searches' => 'Strategies',
                'thesauri' => 'Thesauri',
                'dialects' => 'Dialects',
                'searches.report' => 'Search report',
            ],
            'records' => [
                'library' => 'Library',
                'deliveries' => 'Deliveries',
                'matching' => 'Matching',
                'pairing' => 'Pairing Desk',
                'matching.joined' => 'Joined',
            ],
            'screening' => [
                'screening' => 'Overview',
                'desk' => 'Reading Desk',
                'disagreements' => 'Disagreements',
                'agreement' => 'Agreement',
                'reading-order' => 'Order and recall',
                'stages' => 'Stages',
                'share-outs' => 'Share-out',
                'marks' => 'Marked words',
            ],
            'full-texts' => [
                'full-texts' => 'Texts sought',
                'full-texts.unassigned' => 'PDFs to assign',
                'full-texts.read' => 'Read in full',
                'studies' => 'Studies',
            ],
            'coding' => [
                'coding' => 'Coding table',
                'reconcile' => 'Reconcile',
                'passages' => 'Passages',
                'coding.shares' => 'Shares',
                'coding.subset' => 'In-depth subset',
                'codebook' => 'Codebook',
            ],
            'synthesis' => [
                'map' => 'Map',
                'tables' => 'Tables',
                'analyses' => 'Analyses',
                'soundness' => 'Soundness',
                'certainty' => 'Certainty',
                'outcomes' => 'Outcomes',
            ],
            'report' => [
                'report.text' => 'Report',
                'report' => 'Flow and files',
                'report.work' => 'Work',
                'ask' => 'Ask',
                'report.links' => 'Reading links',
                'interface' => 'Programming interface',
            ],
            default => [],
        };

        $places = array_filter($places, fn (string $name): bool => $this->leadsOn($name), ARRAY_FILTER_USE_KEY);

        return array_map(
            fn (string $name, string $label): array => [
                'name' => $name,
                'label' => $label,
                'url' => $name === 'full-texts.read'
                        ? route('desk', [
                            $this->review,
                            'stage' => $this->review === null ? '' : Retrievals::stage($this->review)?->id,
                        ])
                        : route($name, $this->review),
            ],
            array_keys($places),
            $places,
        );
    }

    /** Whether this person may open a place: what would only refuse is not offered. */
    private function leadsOn(string $name): bool
    {
        $ability =
            ['pairing' => 'deliver', 'desk' => 'screen', 'full-texts.read' => 'screen', 'searches.create' => 'search'][
                $name
            ] ?? 'view';

        return $this->review === null ||
            (Gate::allows($ability, $this->review) && ($name !== 'reconcile' || $this->review->coded_by === 2));
    }

    /** @return list<array{title: string, about: string, url: string}> what Ctrl-K knows by name */
    public function screens(): array
    {
        $general = [
            'All reviews' => route('home'),
            'Start a review' => route('reviews.create'),
            'Your account' => route('account'),
            'Post room' => route('post-room'),
        ];
        $inReview =
            $this->review === null
                ? []
                : [
                    'Question and criteria' => route('question', $this->review),
                    'Scouting: ask the literature a question' => route('scouting', $this->review),
                    'Team: invite people' => route('team', $this->review),
                    'Searches: strategies and runs' => route('searches', $this->review),
                    'New strategy' => route('searches.create', $this->review),
                    'Thesauri: headings' => route('thesauri', $this->review),
                    'Dialects' => route('dialects', $this->review),
                    'Search report' => route('searches.report', $this->review),
                    'Library' => route('library', $this->review),
                    'Deliveries: upload a file' => route('deliveries', $this->review),
                    'Matching: find duplicates' => route('matching', $this->review),
                    'Pairing Desk: judge suspected duplicates' => route('pairing', $this->review),
                    'Joined publications' => route('matching.joined', $this->review),
                    'Screening overview' => route('screening', $this->review),
                    'Reading Desk: screen the next item' => route('desk', $this->review),
                    'Disagreements' => route('disagreements', $this->review),
                    'Agreement between reviewers' => route('agreement', $this->review),
                    'Reading order, progress curve and recall so far' => route('reading-order', $this->review),
                    'Marked words: lists for and against' => route('marks', $this->review),
                    'Stages and their rules' => route('stages', $this->review),
                    'Share-out: who judges what' => route('share-outs', $this->review),
                    'Full texts sought: bring PDFs, ask the locker' => route('full-texts', $this->review),
                    'PDFs to assign' => route('full-texts.unassigned', $this->review),
                    'Studies and their reports' => route('studies', $this->review),
                    'Coding table' => route('coding', $this->review),
                    'Codebook' => route('codebook', $this->review),
                    'Shares of coding: who codes what' => route('coding.shares', $this->review),
                    'In-depth subset of studies' => route('coding.subset', $this->review),
                    'Passages under themes' => route('passages', $this->review),
                    'Reconcile coders' => route('reconcile', $this->review),
                    'Evidence map and crosstabs' => route('map', $this->review),
                    'Tables of studies' => route('tables', $this->review),
                    'Analyses: pool results' => route('analyses', $this->review),
                    'Certainty of the evidence, outcome by outcome' => route('certainty', $this->review),
                    'Soundness: risk of bias of the studies' => route('soundness', $this->review),
                    'Outcomes, groups and comparisons' => route('outcomes', $this->review),
                    'The report as it is written' => route('report.text', $this->review),
                    'Report and flow' => route('report', $this->review),
                    'Exports: included publications and coding table' => route('report', $this->review).'#exports',
                    'The Log' => route('log', $this->review),
                ];
        foreach (
            [
                'New strategy' => 'searches.create',
                'Pairing Desk: judge suspected duplicates' => 'pairing',
                'Reading Desk: screen the next item' => 'desk',
            ] as $title => $name
        ) {
            if (! $this->leadsOn($name)) {
                unset($inReview[$title]);
            }
        }
        $all = [...$inReview, ...$general];

        return array_map(
            fn (string $title, string $url): array => ['title' => $title, 'about' => 'screen', 'url' => $url],
            array_keys($all),
            $all,
        );
    }

    public function render(): View
    {
        return view('components.page');
    }
}

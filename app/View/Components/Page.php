<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Shared\Waterline;
use App\View\Way\Place;
use App\View\Way\Screen;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\Component;

/** The frame around every page: the bar, and within a review the Waterline and the places of the area. */
final class Page extends Component
{
    /** The places of each area, by the names of their routes. */
    private const PLACES = [
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
    ];

    /** Where the finder leads within a review: what is looked for, and the name of the route. */
    private const SCREENS = [
        'Question and criteria' => 'question',
        'Scouting: ask the literature a question' => 'scouting',
        'Team: invite people' => 'team',
        'Searches: strategies and runs' => 'searches',
        'New strategy' => 'searches.create',
        'Thesauri: headings' => 'thesauri',
        'Dialects' => 'dialects',
        'Search report' => 'searches.report',
        'Library' => 'library',
        'Deliveries: upload a file' => 'deliveries',
        'Reference lists of included reports' => 'deliveries.references',
        'Matching: find duplicates' => 'matching',
        'Pairing Desk: judge suspected duplicates' => 'pairing',
        'Joined publications' => 'matching.joined',
        'Screening overview' => 'screening',
        'Reading Desk: screen the next item' => 'desk',
        'Disagreements' => 'disagreements',
        'Agreement between reviewers' => 'agreement',
        'Reading order, progress curve and recall so far' => 'reading-order',
        'Marked words: lists for and against' => 'marks',
        'Stages and their rules' => 'stages',
        'Share-out: who judges what' => 'share-outs',
        'Full texts sought: bring PDFs, ask the locker' => 'full-texts',
        'PDFs to assign' => 'full-texts.unassigned',
        'Studies and their reports' => 'studies',
        'Coding table' => 'coding',
        'Codebook' => 'codebook',
        'Shares of coding: who codes what' => 'coding.shares',
        'In-depth subset of studies' => 'coding.subset',
        'Passages under themes' => 'passages',
        'Reconcile coders' => 'reconcile',
        'Evidence map and crosstabs' => 'map',
        'Tables of studies' => 'tables',
        'Analyses: pool results' => 'analyses',
        'Certainty of the evidence, outcome by outcome' => 'certainty',
        'Soundness: risk of bias of the studies' => 'soundness',
        'Outcomes, groups and comparisons' => 'outcomes',
        'The report as it is written' => 'report.text',
        'Report and flow' => 'report',
        'Exports: included publications and coding table' => 'report#exports',
        'The Log' => 'log',
    ];

    /** Those that are of use only to who may do something there. */
    private const FOR_SOME = ['searches.create', 'pairing', 'desk'];

    public ?User $user;

    public ?Waterline $waterline = null;

    public bool $tasksRunning = false;

    public int $notices = 0;

    /** @var list<Place>|null */
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

    /** @return list<Place> the places within the current area */
    public function places(): array
    {
        return $this->places ??= $this->placesOfArea();
    }

    /** @return list<Place> */
    private function placesOfArea(): array
    {
        $places = self::PLACES[$this->stage] ?? [];
        $places = array_filter($places, fn (string $name): bool => $this->leadsOn($name), ARRAY_FILTER_USE_KEY);

        return array_map(
            fn (string $name, string $label): Place => new Place($name, $label, $this->urlOf($name)),
            array_keys($places),
            $places,
        );
    }

    private function urlOf(string $place): string
    {
        if ($place !== 'full-texts.read') {
            return route($place, $this->review);
        }
        $stage = $this->review === null ? '' : Retrievals::stage($this->review)?->id;

        return route('desk', [$this->review, 'stage' => $stage]);
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

    /** @return list<Screen> what Ctrl-K knows by name */
    public function screens(): array
    {
        $general = [
            'All reviews' => route('home'),
            'Start a review' => route('reviews.create'),
            'Your account' => route('account'),
            'Post room' => route('post-room'),
        ];
        $all = [...$this->review === null ? [] : $this->screensOf($this->review), ...$general];

        return array_map(
            fn (string $title, string $url): Screen => new Screen($title, 'screen', $url),
            array_keys($all),
            $all,
        );
    }

    /** @return array<string, string> addresses by title */
    private function screensOf(Review $review): array
    {
        $isOpen = fn (string $name): bool => ! in_array($name, self::FOR_SOME, true) || $this->leadsOn($name);
        $urls = [];
        foreach (array_filter(self::SCREENS, $isOpen) as $title => $place) {
            [$name, $at] = [...explode('#', $place), ''];
            $urls[$title] = route($name, $review).($at === '' ? '' : "#{$at}");
        }

        return $urls;
    }

    public function render(): View
    {
        return view('components.page');
    }
}

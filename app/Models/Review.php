<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use App\Tasks\TaskState;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Subset;
use WaryHeron\Core\Matching\MatchSettings;
use WaryHeron\Core\Question\ConceptFrame;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * @property string $id
 * @property string $title
 * @property string $question
 * @property ConceptFrame $frame
 * @property string $protocol an address, or where it was published
 * @property string $registration the register, and the number there
 * @property string $created_by
 * @property ?array{certain: float, ask: float, emphasis: array<string, float>} $match_settings
 * @property array<string, string> $flow_captions
 * @property array<string, string> $work_captions
 * @property int $work_columns how many steps stand side by side in the diagram of work
 * @property ?int $previous_studies of the version that this review updates
 * @property ?int $previous_reports
 * @property array<string, string> $search_notes
 * @property int $coded_by how many code each study, apart from each other: 1 or 2
 * @property ?list<array{item: string, answers: non-empty-list<string>}> $depth_rule which studies the in-depth pass goes to; null: all
 * @property bool $depth_follows whether studies join and leave by the rule as they are coded
 * @property ?Carbon $closed_at nothing is changed after it
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property \Illuminate\Database\Eloquent\Collection<int, Stage> $stages
 */
final class Review extends Model
{
    protected $table = 'reviews';

    /** As the table has them, for a review that has just been made. */
    protected $attributes = [
        'frame' => 'pico',
        'protocol' => '',
        'registration' => '',
        'coded_by' => 1,
        'depth_follows' => true,
        'work_captions' => '{}',
        'work_columns' => 3,
    ];

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return list<string> ids of the people who lead it */
    public function leads(): array
    {
        return array_values($this->memberships()->where('role', Role::Lead)->pluck('user_id')->all());
    }

    /** @return HasMany<Stage, $this> */
    public function stages(): HasMany
    {
        $many = $this->hasMany(Stage::class)->chaperone();
        $many->orderBy('position');

        return $many;
    }

    public function stageOf(Item|Decision $one): Stage
    {
        return $this->stages->firstOrFail('id', $one->stage_id);
    }

    /** The stage at which every publication arrives. */
    public function firstStage(): Stage
    {
        return $this->stages->firstOrFail(fn (Stage $stage): bool => $stage->purpose === StagePurpose::TitleAbstract);
    }

    /** The stage at which titles are judged before their abstracts, where the team wants one. */
    public function titleStage(): ?Stage
    {
        return $this->stages->firstWhere('purpose', StagePurpose::Titles);
    }

    /** Which studies the in-depth pass goes to; null for all. */
    public function depth(): ?Subset
    {
        if ($this->depth_rule === null) {
            return null;
        }
        /** @var array<string, string> $listed */
        $listed = DB::table('depth_studies')->where('review_id', $this->id)->pluck('how', 'publication_id')->all();

        return new Subset(
            array_map(fn (array $one): AskedWhen => new AskedWhen($one['item'], $one['answers']), $this->depth_rule),
            $this->depth_follows,
            $listed,
        );
    }

    /** Whose answers a person writes: the ones that count, or their own where two code apart. */
    public function handOf(User $user): string
    {
        return $this->coded_by === 2 ? $user->id : '';
    }

    /** The last stage on the way to what is coded. */
    public function lastStage(): Stage
    {
        return $this->stages->firstWhere('purpose', StagePurpose::FullText) ?? $this->firstStage();
    }

    /** @return HasMany<ShareOut, $this> */
    public function shareOuts(): HasMany
    {
        return $this->hasMany(ShareOut::class);
    }

    /** @return HasMany<Criterion, $this> */
    public function criteria(): HasMany
    {
        $many = $this->hasMany(Criterion::class);
        $many->orderBy('position');

        return $many;
    }

    /** @return HasMany<Concept, $this> */
    public function concepts(): HasMany
    {
        return $this->hasMany(Concept::class);
    }

    /** @return HasMany<CodebookItem, $this> */
    public function codes(): HasMany
    {
        $many = $this->hasMany(CodebookItem::class, 'review_id');
        $many->orderBy('position');

        return $many;
    }

    /** @return HasMany<Theme, $this> */
    public function themes(): HasMany
    {
        return $this->hasMany(Theme::class);
    }

    /** @return HasMany<Passage, $this> */
    public function passages(): HasMany
    {
        return $this->hasMany(Passage::class);
    }

    /** @return HasMany<ReviewOutcome, $this> */
    public function outcomes(): HasMany
    {
        return $this->hasMany(ReviewOutcome::class);
    }

    /** @return HasMany<Comparison, $this> */
    public function comparisons(): HasMany
    {
        return $this->hasMany(Comparison::class);
    }

    /** @return HasMany<ReadingLink, $this> */
    public function links(): HasMany
    {
        return $this->hasMany(ReadingLink::class);
    }

    /** @return HasMany<ReaderComment, $this> */
    public function readerComments(): HasMany
    {
        return $this->hasMany(ReaderComment::class);
    }

    /** @return HasMany<MadeFile, $this> made in the background, to be taken away */
    public function files(): HasMany
    {
        return $this->hasMany(MadeFile::class);
    }

    /** @return HasMany<SavedTable, $this> */
    public function tables(): HasMany
    {
        return $this->hasMany(SavedTable::class);
    }

    /** @return HasMany<KeptAnalysis, $this> */
    public function analyses(): HasMany
    {
        return $this->hasMany(KeptAnalysis::class);
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class);
    }

    /** @return HasMany<Strategy, $this> */
    public function strategies(): HasMany
    {
        return $this->hasMany(Strategy::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** @return HasMany<KnownItem, $this> */
    public function knownItems(): HasMany
    {
        return $this->hasMany(KnownItem::class);
    }

    /** @return HasMany<Scheme, $this> */
    public function schemes(): HasMany
    {
        return $this->hasMany(Scheme::class);
    }

    /** @return HasMany<TeamDialect, $this> */
    public function dialects(): HasMany
    {
        return $this->hasMany(TeamDialect::class);
    }

    /** @return HasMany<Publication, $this> */
    public function publications(): HasMany
    {
        return $this->hasMany(Publication::class);
    }

    /** @return HasMany<Item, $this> */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class);
    }

    /** @return HasMany<Invitation, $this> */
    public function invitations(): HasMany
    {
        return $this->hasMany(Invitation::class);
    }

    /** @return HasMany<Record, $this> */
    public function records(): HasMany
    {
        return $this->hasMany(Record::class);
    }

    /** @return HasMany<Draft, $this> */
    public function drafts(): HasMany
    {
        return $this->hasMany(Draft::class);
    }

    /** @return HasMany<Scouting, $this> */
    public function scoutings(): HasMany
    {
        return $this->hasMany(Scouting::class);
    }

    /** @return HasMany<Task, $this> */
    public function tasks(): HasMany
    {
        return $this->hasMany(Task::class);
    }

    /** @param  ?string  $url  only the work that this address shows; null: any of the kind */
    public function isAtWork(string $kind, ?string $url = null): bool
    {
        return $this->tasks()
            ->where('kind', $kind)
            ->when($url !== null, fn ($tasks) => $tasks->where('url', $url))
            ->whereIn('state', TaskState::underWay())
            ->exists();
    }

    /** @return HasMany<Matching, $this> */
    public function matchings(): HasMany
    {
        return $this->hasMany(Matching::class);
    }

    /** The last comparison that was finished. */
    public function latestMatching(): ?Matching
    {
        return $this->matchings()->where('state', TaskState::Done)->orderByDesc('id')->first();
    }

    /** @return HasMany<Join, $this> */
    public function joins(): HasMany
    {
        return $this->hasMany(Join::class);
    }

    /** @return HasMany<ExportRecipe, $this> */
    public function recipes(): HasMany
    {
        return $this->hasMany(ExportRecipe::class);
    }

    /** @return HasMany<MarkList, $this> */
    public function markLists(): HasMany
    {
        return $this->hasMany(MarkList::class);
    }

    /** @return HasMany<FullText, $this> */
    public function fullTexts(): HasMany
    {
        return $this->hasMany(FullText::class);
    }

    /** @return HasMany<Study, $this> */
    public function studies(): HasMany
    {
        return $this->hasMany(Study::class);
    }

    public function matchSettings(): MatchSettings
    {
        return $this->match_settings === null ? new MatchSettings() : new MatchSettings(...$this->match_settings);
    }

    protected function casts(): array
    {
        return [
            'frame' => ConceptFrame::class,
            'match_settings' => 'array',
            'flow_captions' => 'array',
            'work_captions' => 'array',
            'search_notes' => 'array',
            'depth_rule' => 'array',
            'depth_follows' => 'boolean',
            'closed_at' => 'immutable_datetime',
        ];
    }

    /** Said here, since working a plural out loads an inflector, for each decision. */
    protected function childRouteBindingRelationshipName($childType): string
    {
        return $childType === 'item' ? 'items' : parent::childRouteBindingRelationshipName($childType);
    }
}

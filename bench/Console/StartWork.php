<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Archive\AskForFile;
use App\Actions\Coding\StartLeads;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Drafting\StartDraft;
use App\Actions\FullTexts\AddFullText;
use App\Actions\FullTexts\AskLocker;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Actions\Scouting\AskFurther;
use App\Actions\Scouting\AskPlainly;
use App\Actions\Screening\OrderReading;
use App\Actions\Searches\RunStrategy;
use App\Actions\Searches\SetStandingSearch;
use App\Database\ArchivedTables;
use App\Files\MadeKind;
use App\Models\FullText;
use App\Models\Review;
use App\Models\User;
use Bench\LargeReview;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Search\Standing\Every;

/** Begins one piece of background work in the demo, or says what there is once it is over; for drills only. */
final class StartWork extends Command
{
    protected $signature = 'heron:work {kind? : none says what is there}';

    protected $description = 'Begin one piece of background work in the demo; without a kind: count what is there';

    public function handle(): int
    {
        $review = Review::query()->where('title', 'Bright light on night shifts')->sole();
        $kind = $this->argument('kind');
        if (! is_string($kind)) {
            $this->line(json_encode($this->there($review), JSON_THROW_ON_ERROR));

            return self::SUCCESS;
        }
        $this->begin($kind, $review, User::query()->where('email', 'ines.okafor@heron.example')->sole());
        $this->line($review->id);

        return self::SUCCESS;
    }

    private function begin(string $kind, Review $review, User $by): void
    {
        $strategy = $review->strategies()->firstOrFail();
        $scouting = $review->scoutings()->firstOrFail();
        match ($kind) {
            'file' => $this->deliver($review, $by),
            'search' => app(StartDelivery::class)->ofRun($by, app(RunStrategy::class)->execute($by, $strategy, 'alder')),
            'round' => app(SetStandingSearch::class)->begin(app(SetStandingSearch::class)->set(
                $by,
                $strategy,
                Every::Month,
                CarbonImmutable::now()->addMonth(),
                true,
                [],
            ), $by),
            'comparison' => app(StartMatching::class)->execute($by, $review),
            'joining' => app(StartJoining::class)->execute($by, $review, $review->matchings()->latest('id')->firstOrFail()),
            'order' => app(OrderReading::class)->execute($by, $review->firstStage(), ReadingOrder::Likely, 10),
            'locker' => app(AskLocker::class)->execute($by, $review),
            'pdf' => $this->pdf($review, $by),
            'leads' => app(StartLeads::class)->execute($by, $review),
            'report' => app(AskForFile::class)->execute($by, $review, MadeKind::Pdf),
            'supplements' => app(AskForFile::class)->execute($by, $review, MadeKind::Supplements),
            'papers' => app(AskPlainly::class)->ask($by, $review, 'Do light visors help nurses?', ['alder', 'tern']),
            'further' => app(AskFurther::class)->ask($by, $scouting, 'Which lamps were used?', null),
            'draft' => app(StartDraft::class)->afterPapers($scouting),
            default => throw new \InvalidArgumentException("There is no work “{$kind}”."),
        };
    }

    private function deliver(Review $review, User $by): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'work');
        app(LargeReview::class)->writeFile($path, 5_000);
        app(StartDelivery::class)->ofFile($by, $review, $path, 'work.ris', 'A source', now(), '');
        unlink($path);
    }

    /** A copy of a paper that is here, different in what no reader sees. */
    private function pdf(Review $review, User $by): void
    {
        $known = FullText::query()->where('review_id', $review->id)->whereNotNull('publication_id')->firstOrFail();
        $path = (string) tempnam(sys_get_temp_dir(), 'work');
        file_put_contents($path, Storage::get("full-texts/{$known->hash}")."\n% another copy\n");
        app(AddFullText::class)->execute($by, $review, $path, 'copy.pdf');
        unlink($path);
    }

    /** @return array<string, mixed> rows by table, items by state, what publications show and how tasks ended */
    private function there(Review $review): array
    {
        $rows = [];
        foreach (ArchivedTables::all() as $table) {
            $rows[$table->name] = DB::table($table->name)
                ->when(Schema::hasColumn($table->name, 'review_id'), fn ($of) => $of->where('review_id', $review->id))
                ->count();
        }

        return [
            'rows' => array_filter($rows),
            'items' => $this->counted('items', $review, "concat(stage_id, ' ', state)"),
            'tasks' => $this->counted('tasks', $review, "concat(kind, ' ', state)"),
            'publications' => (array) DB::selectOne(
                <<<'SQL'
                SELECT sum(records_count) AS records, count(merged_into) AS merged, md5(string_agg(shows, NULL ORDER BY shows)) AS shown
                FROM (SELECT *, md5(concat(title, doi, year, journal)) AS shows FROM publications WHERE review_id = ?) AS of_review
                SQL,
                [$review->id],
            ),
        ];
    }

    /** @return array<string, int> */
    private function counted(string $table, Review $review, string $by): array
    {
        return DB::table($table)->where('review_id', $review->id)->selectRaw("{$by} AS kind, count(*) AS n")
            ->groupByRaw($by)->orderByRaw($by)->pluck('n', 'kind')->all();
    }
}

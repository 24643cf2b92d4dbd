<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Screening\ChangeStage;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Table\TableTerms;
use App\Queries\Synthesis\MapQuery;
use Bench\LargeReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Map\MapPlot;
use WaryHeron\Core\Synthesis\Pool\Analysis;
use WaryHeron\Core\Synthesis\Pool\StudyRow;

/** Times maps, crosstabs, the coding table and pooling, and beside them one pass over the same rows in SQL. */
final class BenchSynthesis extends Command
{
    protected $signature = 'heron:bench-synthesis {studies=5000} {--lead=lead@heron.example} {--reviewer=reviewer@heron.example}';

    protected $description = 'Measure how fast coded studies are counted, shown and pooled';

    private const ROUNDS = 15;

    private const ITEMS = 80;

    private const POOLED = 200;

    public function handle(LargeReview $large, StartDelivery $start, ChangeStage $stages): int
    {
        $lead = User::query()->where('email', $this->option('lead'))->firstOrFail();
        $reviewer = User::query()->where('email', $this->option('reviewer'))->firstOrFail();
        $review = $this->review($large, $start, $stages, $lead, $reviewer);
        [$rows, $columns, $fill] = $review->codes()->limit(3)->get()->all();
        $map = new MapQuery($review, $rows, $columns, $fill);
        $this->told('map', fn () => (new MapPlot($map->map()))->svg('A map', false));
        $this->told('crosstab', fn () => (new MapQuery($review, $rows, $columns, null))->map()->tests());
        $this->told('one pass in SQL', fn () => DB::selectOne(
            'SELECT count(*), count(value) FROM standing_answers WHERE review_id = ? AND code_id = ANY (?::bpchar[])',
            [$review->id, "{{$rows->id},{$columns->id},{$fill->id}}"],
        ));
        $this->told('coding table, 100 studies and '.self::ITEMS.' items', function () use ($review): void {
            $table = CodingTable::of($review, TableTerms::all($review));
            foreach ($table->publications as $one) {
                $table->cells($one->id);
            }
        });
        $this->told('pooling '.self::POOLED.' studies', fn () => Analysis::of(Measure::RiskRatio, $this->effects())->toArray(), 5);

        return self::SUCCESS;
    }

    private function review(LargeReview $large, StartDelivery $start, ChangeStage $stages, User $lead, User $reviewer): Review
    {
        $review = $large->review($lead, $reviewer, 'Coded studies, for load');
        $stages->remove($lead, $review->lastStage());
        $path = (string) tempnam(sys_get_temp_dir(), 'large');
        $large->writeFile($path, (int) ceil((int) $this->argument('studies') * 7 / 6));
        Queue::fake();
        DeliverySlice::runHere($start->ofFile($lead, $review, $path, 'large.ris', 'Load', now(), ''));
        unlink($path);
        DB::table('items')->where('review_id', $review->id)->update(['state' => ItemState::Included->value]);
        for ($i = 1; $i <= self::ITEMS; $i++) {
            CodebookItem::query()->create([
                'review_id' => $review->id,
                'position' => $i,
                'label' => "Item {$i}",
                'type' => $i < 4 ? 'choice' : ($i % 2 === 0 ? 'number' : 'text'),
                'options' => $i < 4 ? ['one', 'two', 'three', 'four', 'five', 'six'] : [],
            ]);
        }
        // three items of all studies, all items of the first 300
        DB::insert(
            <<<'SQL'
            INSERT INTO answers (id, review_id, publication_id, code_id, user_id, value, evidence, created_at)
            SELECT substr(md5(p.id || c.id), 1, 26), p.review_id, p.id, c.id, ?,
                CASE WHEN c.position < 4 THEN to_jsonb((ARRAY['one', 'two', 'three', 'four', 'five', 'six'])[1 + abs(hashtext(p.id || c.id)) % 6])
                    WHEN c.position % 2 = 0 THEN to_jsonb(abs(hashtext(p.id || c.id)) % 500) ELSE to_jsonb(left(p.title, 50)) END,
                jsonb_build_array(jsonb_build_object('quote', left(p.title, 90), 'page', 2)), now()
            FROM (SELECT p.*, row_number() OVER (ORDER BY first_author, year, id) AS n FROM publications p WHERE review_id = ?) p
            JOIN codes c ON c.review_id = p.review_id AND (c.position < 4 OR p.n <= 300)
            SQL,
            [$lead->id, $review->id],
        );
        DB::statement('VACUUM ANALYZE');

        return $review->refresh();
    }

    /** @return iterable<StudyRow> */
    private function effects(): iterable
    {
        mt_srand(7);
        for ($i = 0; $i < self::POOLED; $i++) {
            $effect = Effect::of(mt_rand(-900, 500) / 1000, mt_rand(5, 300) / 1000);
            yield new StudyRow("Study {$i}", $effect, 1990.0 + $i % 35);
        }
    }

    private function told(string $what, \Closure $do, int $rounds = self::ROUNDS): void
    {
        $times = [];
        for ($i = 0; $i < $rounds; $i++) {
            $from = hrtime(true);
            $do();
            $times[] = (hrtime(true) - $from) / 1e6;
        }
        sort($times);
        $this->line((string) json_encode([
            'what' => $what,
            'median ms' => round($times[intdiv($rounds, 2)], 1),
            'worst ms' => round($times[$rounds - 1], 1),
            'peak MiB' => round(memory_get_peak_usage() / 1048576),
        ]));
    }
}

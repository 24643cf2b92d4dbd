<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Access\Role;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Screening\MakeShareOut;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\Review;
use App\Models\User;
use App\Queries\Library\LibraryFilters;
use App\Queries\Shared\Asked;
use Bench\LargeReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Queue;

final class MakeLoad extends Command
{
    /** Delivered as usual; the rest are copies of these made by the database. */
    private const DELIVERED = 6000;

    protected $signature = 'heron:load {publications=100000} {people=50}';

    protected $description = 'Make a review whose publications are shared out among many people, for load; for benchmarks only';

    public function handle(LargeReview $large, StartDelivery $start, MakeShareOut $share): int
    {
        $wanted = (int) $this->argument('publications');
        $password = Hash::make('a long password');
        $people = array_map(
            fn (int $i): User => User::query()->create([
                'name' => "Screener {$i}",
                'email' => "screener{$i}@heron.example",
                'password' => $password,
            ]),
            range(1, (int) $this->argument('people')),
        );
        $review = $large->review($people[0], $people[1], 'For load');
        foreach (array_slice($people, 2) as $person) {
            $review->memberships()->create(['user_id' => $person->id, 'role' => Role::Reviewer]);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'load');
        $large->writeFile($path, self::DELIVERED);
        Queue::fake();
        DeliverySlice::runHere($start->ofFile($people[0], $review, $path, 'load.ris', 'Load', now(), ''));
        unlink($path);
        $this->multiply($review, $wanted);
        DB::statement('ANALYZE');
        $terms = [
            'pool' => 'free',
            'sample' => null,
            'percent' => null,
            'decisions' => 2,
            'quotas' => array_fill_keys(array_map(fn (User $one): string => $one->id, $people), null),
            'mode' => 'mixed',
            'seed' => 11,
        ];
        $began = microtime(true);
        $share->execute(
            $people[0],
            $review->firstStage(),
            LibraryFilters::from(new Asked(), $review, $people[0]),
            $terms,
            'For load',
            $wanted,
        );
        $seconds = microtime(true) - $began;
        DB::statement('VACUUM ANALYZE');
        $this->line(
            json_encode(
                [
                    'review' => $review->id,
                    'publications' => $wanted,
                    'people' => count($people),
                    'share_out_seconds' => round($seconds, 2),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );

        return self::SUCCESS;
    }

    private function multiply(Review $review, int $wanted): void
    {
        $there = $review->publications()->count();
        $columns = array_diff(DB::getSchemaBuilder()->getColumnListing('publications'), [
            'id',
            'title_words',
            'author_words',
        ]);
        $names = implode(', ', $columns);
        for ($copy = 1; $there < $wanted; $copy++) {
            $most = min($wanted - $there, $review->publications()->where('id', '<', '7')->count());
            $there += DB::affectingStatement(
                "INSERT INTO publications (id, {$names}) SELECT '7' || substr(md5(id || ?), 1, 25), {$names} FROM publications WHERE review_id = ? AND id < '7' ORDER BY id LIMIT ?",
                [$copy, $review->id, $most],
            );
        }
        DB::statement('ANALYZE'); // without it the planner takes the tables for nearly empty
        DB::statement(
            "INSERT INTO items (id, review_id, publication_id, stage_id, created_at, updated_at) SELECT '7' || substr(md5(p.id || 'item'), 1, 25), p.review_id, p.id, ?, now(), now() FROM publications p WHERE p.review_id = ? AND NOT EXISTS (SELECT 1 FROM items i WHERE i.review_id = p.review_id AND i.publication_id = p.id)",
            [$review->firstStage()->id, $review->id],
        );
        DB::statement(
            "INSERT INTO records (id, review_id, delivery_id, publication_id, position, reference, source, created_at) SELECT '7' || substr(md5(p.id || 'record'), 1, 25), p.review_id, (SELECT id FROM deliveries WHERE review_id = p.review_id), p.id, 1000000 + row_number() OVER (ORDER BY p.id), jsonb_build_object('type', 'article', 'title', p.title), '', now() FROM publications p WHERE p.review_id = ? AND p.id >= '7'",
            [$review->id],
        );
    }
}

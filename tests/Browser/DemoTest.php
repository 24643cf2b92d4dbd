<?php

namespace Tests\Browser;

use App\Models\Delivery;
use App\Models\Review;
use App\Models\User;
use App\Queries\Matching\CertainGroups;
use App\Queries\Matching\PairingQueue;
use App\Queries\Report\FlowQuery;
use App\Queries\Shared\Tallies;
use App\Queries\Shared\Waterline;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;
use Tests\Feature\Archive\AtArchive;
use Tests\Feature\Shared\Walk;
use Tests\Feature\Standin;
use Tests\TestCase;
use WaryHeron\Core\Screening\ItemState;

/*
 * The demo as the journeys have it, which takes most of a minute to make; looked at from within, in a copy of its own.
 */
beforeEach(function () {
    Server::demoApart();
    config(['database.connections.pgsql' => [...TestCase::connectionApart(), 'database' => Server::LOOK]]);
    DB::purge();
    DB::beginTransaction();
    DB::statement('SET LOCAL ROLE '.config('database.application_role'));
    $this->files = sys_get_temp_dir().'/heron-demo-'.bin2hex(random_bytes(4));
    (new Process(['cp', '-r', dirname(__DIR__, 2).'/var/test/storage/app/files', $this->files]))->mustRun();
    Storage::set('local', Storage::build(['driver' => 'local', 'root' => $this->files, 'throw' => true]));
});

afterEach(function () {
    DB::rollBack();
    DB::purge();
    (new Process(['rm', '-rf', $this->files]))->mustRun();
});

it('has something real to do on every screen, and is the same each time', function () {
    Standin::answers();
    $review = Review::query()->where('title', 'Bright light on night shifts')->sole();
    $tallies = Tallies::of($review);
    $rows = fn (string $table): int => DB::table($table)->where('review_id', $review->id)->count();
    // the same on whichever day and machine it is made
    expect(array_map($tallies->in(...), ItemState::cases()))
        ->toBe([165, 22, 114, 120, 0, 0, 0])
        ->and(array_map($rows, ['decisions', 'answers', 'results']))
        ->toBe([715, 193, 41]);
    expect(Delivery::query()->where('review_id', $review->id)->where('state', 'done')->count())->toBe(6);
    $matching = $review->matchings()->latest('id')->first();
    expect(count(CertainGroups::of($matching)))
        ->toBeGreaterThan(3)
        ->and(count(PairingQueue::of($matching, $review->memberships()->first()->user)->groups))
        ->toBeGreaterThan(3);
    expect(Delivery::query()->where('review_id', $review->id)->sum('already_here'))->toBeGreaterThan(20);
    expect(Tallies::of($review)->in(ItemState::Disagreement))->toBeGreaterThanOrEqual(10);
    expect(
        DB::table('answers')->where('review_id', $review->id)->distinct()->count('publication_id'),
    )->toBeGreaterThanOrEqual(8);
    expect(DB::table('standing_results')->distinct()->count('publication_id'))->toBeGreaterThanOrEqual(6);
    expect(DB::table('analyses')->count())->toBe(2);
    expect(DB::table('talk_messages')->count())
        ->toBeGreaterThan(5)
        ->and(DB::table('settlements')->count())
        ->toBe(5);
    expect(FlowQuery::of($review)->contradictions())->toBe([]);
    expect(Review::query()->where('title', 'like', 'Handover%')->sole()->publications()->count())->toBe(0);
    expect(DB::table('log_entries')->where('created_at', '>', now())->count())->toBe(0);

    foreach (User::query()->get() as $user) {
        $water = Waterline::of($review, $user);
        expect(array_column($water->stages, 'key'))->toBe([
            'question',
            'searches',
            'records',
            'screening',
            'full-texts',
            'coding',
            'synthesis',
            'report',
        ]);
        $this->actingAs($user)->get('/')->assertOk();
    }
    // its links lead everywhere, and to nothing that fails; who may do less is led to nothing that is refused
    $person = fn (string $name): User => User::query()->where('name', $name)->sole();
    $led = (new Walk($person('Ines Okafor'), 4, 2))->from("/reviews/{$review->id}/question", '/');
    expect($led->wrong)->toBe([])->and($led->unreached())->toBe([]);
    expect((new Walk($person('Ruth Lindqvist'), 1, 1))->from("/reviews/{$review->id}/question", '/')->wrong)->toBe([]);
    // the whole of it as one file, and back
    $written = AtArchive::write($review);
    AtArchive::delete($review, $written);
    $again = AtArchive::write(AtArchive::bring($person('Ines Okafor'), $written));
    expect(AtArchive::differing($written, $again))->toBe([])
        ->and(FlowQuery::of($review->refresh())->contradictions())->toBe([])
        ->and(Tallies::of($review)->in(ItemState::Disagreement))->toBeGreaterThanOrEqual(10);
});

<?php

namespace Tests\Feature\Archive;

use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\World;
use WaryHeron\Core\Archive\BadArchive;

/** @param  \Closure(array<string, mixed>): array<string, mixed>  $change  of the first line */
function inFirstLine(\Closure $change): \Closure
{
    return function (string $content) use ($change): string {
        [$first, $rest] = explode("\n", $content, 2);

        return json_encode($change(json_decode($first, true)), JSON_UNESCAPED_UNICODE)."\n".$rest;
    };
}

function countsOf(): array
{
    return array_map(fn (string $table): int => DB::table($table)->count(), ['reviews', 'publications', 'users', 'log_entries']);
}

/**
 * What is changed, why it is refused, and whether the manifest was made to fit.
 *
 * @return array<string, array{array<string, \Closure>, string, 2?: bool}>
 */
function harms(): array
{
    return [
        'a changed byte' => [
            ['data/publications.jsonl' => fn (string $is): string => str_replace('Aster', 'Astar', $is)],
            'damaged or was changed', false,
        ],
        'a file more' => [['data/x.php' => fn (): string => '<?php'], 'does not name', false],
        'a manifest of something else' => [['manifest.json' => fn (): string => '{"format": "x"}'], 'something else'],
        'no rows' => [['data/reviews.jsonl' => fn (): string => ''], 'missing or empty'],
        'no JSON' => [['data/codes.jsonl' => fn (): string => "{\n"], 'no JSON object'],
        'a list' => [['data/criteria.jsonl' => fn (): string => "[1]\n"], 'no JSON object'],
        'nested without end' => [
            ['data/criteria.jsonl' => fn (): string => str_repeat('[', 600).str_repeat(']', 600)."\n"],
            'no JSON object',
        ],
        'an unknown column' => [['data/outcomes.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'admin' => true])], '“admin”'],
        'another review' => [
            ['data/outcomes.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'review_id' => str_repeat('a', 26)])],
            'another review',
        ],
        'an unknown word' => [['data/stages.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'purpose' => 'party'])], '“purpose”'],
        'a text where a number is' => [
            ['data/stages.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'required_decisions' => 'two'])],
            'cannot be taken',
        ],
        'a row twice' => [['data/outcomes.jsonl' => fn (string $is): string => $is.$is], 'cannot be taken'],
        'nobody' => [['data/people.jsonl' => fn (): string => '{"id": "x", "name": "", "email": ""}'."\n"], 'is of nobody'],
        'people who are not listed' => [['data/people.jsonl' => fn (string $is): string => explode("\n", $is)[0]."\n"], 'does not list'],
        'a script in a block' => [['data/report_blocks.jsonl' => inFirstLine(
            fn (array $row): array => [...$row, 'shown' => ['title' => '', 'facts' => [], 'html' => '<p>x</p><script>alert(1)</script>']],
        )], '<script>'],
        'a handler in a block' => [['data/report_blocks.jsonl' => inFirstLine(
            fn (array $row): array => [...$row, 'shown' => ['title' => '', 'facts' => [], 'html' => '<svg><path onclick="x()" d=""/></svg>']],
        )], 'onclick'],
        'a way out of a block' => [['data/report_blocks.jsonl' => inFirstLine(
            fn (array $row): array => [...$row, 'shown' => ['title' => '', 'facts' => [], 'html' => '<a href="javascript:x()">x</a>']],
        )], 'href'],
        'a picture from elsewhere' => [['data/report_blocks.jsonl' => inFirstLine(
            fn (array $row): array => [...$row, 'shown' => ['title' => '', 'facts' => [], 'html' => '<img src="https://x.example/x">']],
        )], '<img>'],
        'no report of ours' => [
            ['data/reports.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'said' => ['type' => 'iframe']])],
            'no report of ours',
        ],
        'a newer release' => [
            ['manifest.json' => fn (string $is): string => preg_replace('/"structure": ?"[^"]+"/', '"structure":"9999"', $is)],
            'newer release',
        ],
    ];
}

it('takes nothing of what is damaged, foreign or made to do harm, and says why', function () {
    [$people, $path] = AtArchive::ofGone();
    $before = countsOf();
    foreach (harms() as $name => $harm) {
        [$changes, $why] = $harm;
        $other = AtArchive::changed($path, $changes, $harm[2] ?? true);
        $said = '';
        try {
            AtArchive::bring($people['lead'], $other);
        } catch (BadArchive $refused) {
            $said = $refused->getMessage();
        }
        expect($said)->toContain($why)->and(countsOf())->toBe($before, $name);
    }
    expect(Storage::allFiles())->toBe([]);
    // of what is taken they are there
    AtArchive::bring($people['lead'], $path);
    expect(Storage::allFiles('deliveries'))->not->toBe([]);
});

it('refuses what is no archive, or cut off', function () {
    [$people, $path] = AtArchive::ofGone();
    $whole = (string) file_get_contents($path);
    foreach (['', 'PK', substr($whole, 0, (int) (strlen($whole) / 2)), str_repeat("\0", 5000)] as $bytes) {
        file_put_contents($path, $bytes);
        expect(fn () => AtArchive::bring($people['lead'], $path))->toThrow(BadArchive::class, 'zip');
    }
});

it('lets no archive name rows of another review', function () {
    $world = World::readingInFull();
    $world->deliver([['TI' => 'Secret lamps']]);
    $theirs = Publication::query()->where('title', 'Secret lamps')->sole();
    DB::table('users')->update(['email' => DB::raw("id || '@other.example'")]);
    [$people, $path] = AtArchive::ofGone();
    $other = AtArchive::changed($path, [
        'data/items.jsonl' => inFirstLine(fn (array $row): array => [...$row, 'publication_id' => $theirs->id]),
    ]);
    expect(fn () => AtArchive::bring($people['lead'], $other))->toThrow(BadArchive::class, 'names rows that its review does not have');
});

it('says nothing of people of this copy in the name of whoever brings an archive', function () {
    [$people, $path] = AtArchive::ofGone();
    $review = AtArchive::bring($people['outsider'], $path, isTrusted: false);
    $of = fn (User $user): ?string => $user->fresh()->roleIn($review)?->value;
    expect($of($people['outsider']))->toBe('lead')
        ->and($of($people['lead']))->toBeNull()
        ->and(DB::table('results')->where('review_id', $review->id)->whereIn('user_id', array_column($people, 'id'))->count())->toBe(0);
    $named = User::query()->whereIn('id', DB::table('results')->where('review_id', $review->id)->select('user_id'))->get();
    expect($named->pluck('name')->all())->toContain('Cleo Varga')
        ->and($named->every(fn (User $one): bool => str_ends_with($one->email, '@archive.invalid')))->toBeTrue();
    $this->actingAs($people['outsider'])->get("/reviews/{$review->id}/log")->assertOk()->assertSee('from an archive');
});

it('brings nothing in twice, and deletes nothing that the archive does not hold', function () {
    $at = AtArchive::review();
    [$review, $lead] = [$at->world->review, $at->world->people['lead']];
    $path = AtArchive::write($review);
    expect(fn () => AtArchive::bring($lead, $path))->toThrow(BadArchive::class, 'is here already');
    $bare = AtArchive::write($review, hasFullTexts: false);
    expect(fn () => AtArchive::delete($review, $bare))->toThrow(BadArchive::class, 'without the full texts');
    $at->counts('Birk', 5, 40, 9, 41);
    expect(fn () => AtArchive::delete($review, $path))->toThrow(BadArchive::class, 'after it was written');
    expect(Review::query()->find($review->id))->not->toBeNull();
});

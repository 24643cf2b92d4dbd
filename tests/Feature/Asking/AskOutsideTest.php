<?php

namespace Tests\Feature\Asking;

use App\Models\AskedQuestion;
use App\Models\Task;
use App\Tasks\TaskState;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;

/** Asks with a service that points to these words in every paper; what it was sent is collected. */
function askedToo(string $quote, array $scope, ?array &$sent = null, int $status = 200): AskedQuestion
{
    $sent = [];
    config(['heron.leads' => ['url' => 'http://leads.test/leads', 'name' => 'The reading house', 'timeout' => 5]]);
    Standin::answers(function (Request $request) use ($quote, $status, &$sent) {
        $sent[] = $request->data();

        return Http::response(['leads' => [['item' => 'answer', 'value' => $quote, 'quote' => $quote, 'confidence' => 'firm']]], $status);
    });
    $at = askable();
    DB::table('full_texts')->update(['state' => 'read']);
    $words = array_map(
        fn (string $word, int $i): array => [$word, 50.0 + 40 * $i, 100.0, 85.0 + 40 * $i, 112.0],
        $said = explode(' ', 'Headache was told by three of the nurses.'),
        array_keys($said),
    );
    DB::table('paper_pages')->update(['words' => json_encode($words)]);

    return askIt($at, 'anna', 'Was there glare?', $scope)->refresh();
}

/** @return list<array{string, string, string}> quote, place and confidence of what was found */
function answered(AskedQuestion $asked): array
{
    return array_map(fn (array $one): array => [$one['quote'], $one['where'], $one['confidence']], $asked->found['pieces']);
}

it('adds the sentence that a service points to where it stands in the paper, to be checked', function () {
    $asked = askedToo('The lamps were mounted at eye level', ['abstracts'], $sent);
    expect(answered($asked))->toContain(['The lamps were mounted at eye level.', 'abstract', 'check'])
        ->and(array_column($asked->found['pieces'], 'reason'))->toContain('The reading house points to this sentence; our own reading does not')
        ->and($sent[0]['items'])->toHaveCount(1)
        ->and($sent[0]['items'][0]['label'])->toBe('Was there glare?')
        ->and(Task::query()->where('kind', 'ask')->sole())->state->toBe(TaskState::Done)
        ->message->toContain('1 added');
    $this->get("/reviews/{$asked->review_id}/ask/{$asked->id}")->assertOk()->assertSee('The reading house points to this sentence');
});

it('says of a sentence found here that the service points to it too, and adds nothing', function () {
    $asked = askedToo('Glare was named by one nurse in eight', ['abstracts']);
    $glare = collect($asked->found['pieces'])->where('quote', 'Glare was named by one nurse in eight.');
    expect($glare)->toHaveCount(1)
        ->and($glare->first()['reason'])->toEndWith('The reading house points to it too')
        ->and($glare->first()['confidence'])->not->toBe('firm');
});

it('throws away what no paper says, and keeps its own answer beside a service that fails', function (string $quote, int $status) {
    $asked = askedToo($quote, ['abstracts'], $sent, $status);
    expect(implode(' ', array_column($asked->found['pieces'], 'reason')))->not->toContain('The reading house')
        ->and(Task::query()->where('kind', 'ask')->latest('id')->firstOrFail()->state)->toBe(TaskState::Done);
})->with([['Nobody ever complained of any glare', 200], ['Glare was named by one nurse in eight', 503]]);

it('sends the service nothing that was not to be looked in', function (array $scope, int $papers) {
    askedToo('Nobody asked about glare', $scope, $sent);
    expect($sent)->toHaveCount($papers)
        ->and(str_contains(json_encode($sent), 'Headache was told'))->toBe($scope === ['texts']);
})->with(['coded and report alone' => [['coded', 'report'], 0], 'abstracts' => [['abstracts'], 2], 'full texts' => [['texts'], 1]]);

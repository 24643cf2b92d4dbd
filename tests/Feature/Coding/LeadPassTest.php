<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ProposeAnswers;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\LeadPass;

/** A paper of four pages whose mean age stands on the last, and which says nothing of dogs. */
function longPaper(): array
{
    return [
        'Bed lamps for nurses',
        'In all, 64 nurses were randomised to bed lamps or to usual light.',
        ...array_map(fn (int $i): string => "Line {$i} tells of the weather and of nothing else.", range(1, 150)),
        'Their mean age was 38.4 years.',
    ];
}

it('finds in a first look what stands at the beginning, and lets its silence say nothing', function (LeadPass $pass, array $found) {
    $world = AtTheDesk::world(
        AtTheDesk::asked('People randomised', CodeType::Number),
        AtTheDesk::asked('Mean age', CodeType::Number),
        AtTheDesk::asked('Dogs kept', CodeType::Number),
        // a paper may say so in other words
        AtTheDesk::asked('Allocation concealed', CodeType::YesNo),
    );
    AtTheDesk::copy($world, ...longPaper());
    app(ProposeAnswers::class)->execute($world->review, $world->publication('Bed lamps'), pass: $pass);
    $labels = CodebookItem::query()->pluck('label', 'id');
    $leads = [];
    foreach (CodingLead::query()->get() as $lead) {
        $leads[$labels[$lead->code_id]] = $lead->kind === AnswerKind::NotReported ? 'not reported' : $lead->value;
    }
    ksort($leads);

    expect($leads)->toBe($found);
})->with([
    'the whole paper' => [LeadPass::Deep, ['Dogs kept' => 'not reported', 'Mean age' => 38.4, 'People randomised' => 64]],
    'a first look' => [LeadPass::Fast, ['People randomised' => 64]],
]);

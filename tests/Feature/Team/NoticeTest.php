<?php

namespace Tests\Feature\Team;

use App\Actions\Screening\PostToTalk;
use App\Models\Letter;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** @return list<string> */
function noticesOf(User $person): array
{
    return $person->notifications()->orderBy('created_at')->get()->map(fn ($one): string => $one->data['text'])->all();
}

it('tells of shares, disagreements, mentions and stages that are done, here and by mail', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps']]);
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/screening/share-outs", [
        'people' => [$world->people['anna']->id, $world->people['ben']->id],
        'seed' => '3',
        'expected' => 2,
        'name' => 'All',
    ]);
    expect(noticesOf($world->people['anna']))
        ->toBe(['Your share at “Title and abstract” is ready'])
        ->and(noticesOf($world->people['lead']))
        ->toBe([]);
    // nothing is told of a blinded decision
    $world->decide('anna', $world->item(0), 'include');
    expect(noticesOf($world->people['ben']))->toHaveCount(1)->and(noticesOf($world->people['lead']))->toBe([]);
    $world->decide('ben', $world->item(0), 'exclude');
    expect(noticesOf($world->people['ben']))
        ->toContain('Disagreements wait at “Title and abstract”')
        ->and(noticesOf($world->people['anna']))
        ->toContain('Disagreements wait at “Title and abstract”');
    $world->decide('anna', $world->item(1), 'unsure');
    $world->decide('ben', $world->item(1), 'exclude');
    // not again while the last is not read
    expect(noticesOf($world->people['ben']))
        ->toHaveCount(2)
        ->and(noticesOf($world->people['lead']))
        ->toBe(['All decisions are in at “Title and abstract”']);
    app(PostToTalk::class)->execute(
        $world->people['anna'],
        $world->item(0)->refresh(),
        'What do you think, @Ben? And you, @Ines Okafor, but not anna@heron.example',
    );
    expect(noticesOf($world->people['ben']))
        ->toContain('Anna Kolbe mentions you on “Lamps”')
        ->and(noticesOf($world->people['lead']))
        ->toContain('Anna Kolbe mentions you on “Lamps”')
        ->and(noticesOf($world->people['specialist']))
        ->toBe([]);
    expect(Letter::query()->where('recipient', 'ben@heron.example')->count())->toBe(3);

    $this->actingAs($world->people['ben'])
        ->get('/notices')
        ->assertSee('mentions you')
        ->assertSee('3</span> notices', false);
    $notice = $world->people['ben']
        ->notifications()
        ->get()
        ->first(fn ($one): bool => str_contains($one->data['text'], 'mentions'));
    $this->post('/notices', ['notice' => $notice->id])->assertRedirect($notice->data['url']);
    $this->get($notice->data['url'])->assertOk();
    // somebody else's is none of theirs
    $this->actingAs($world->people['anna'])
        ->post('/notices', ['notice' => $notice->id])
        ->assertRedirect('/notices');
    $this->post('/notices', ['notice' => "x' OR 1=1"])->assertRedirect('/notices');
    $this->post('/notices');
    expect($world->people['anna']->unreadNotifications()->count())
        ->toBe(0)
        ->and($world->people['ben']->unreadNotifications()->count())
        ->toBe(2);
});

it('tells whoever judged that a proposal waits, not who made it, and leads to it', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps']]);
    $world->decide('anna', $world->item(), 'include');
    $world->decide('ben', $world->item(), 'exclude');
    $words = 'Anna Kolbe proposes how to settle “Lamps”';
    $where = "/reviews/{$world->review->id}/screening/disagreements/{$world->item()->id}";
    $this->actingAs($world->people['anna'])->post("{$where}/proposal", ['verdict' => 'include', 'note' => 'Of wards']);
    expect(noticesOf($world->people['ben']))
        ->toContain($words)
        ->and(noticesOf($world->people['anna']))
        ->not->toContain($words)
        ->and(noticesOf($world->people['lead']))
        ->not->toContain($words);
    $told = $world->people['ben']->notifications()->get()->first(fn ($one): bool => $one->data['text'] === $words);
    $this->actingAs($world->people['ben'])->get($told->data['url'])->assertOk()->assertSeeText('Anna Kolbe proposes to');
    expect($told->data['url'])->toBe($where);
});

it('tells nobody what they do not want to be told', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps']]);
    $this->actingAs($world->people['anna'])
        ->put('/account/notices', [
            'wanted' => ['app' => ['share' => '1', 'mention' => '1'], 'mail' => ['mention' => '1']],
        ])
        ->assertRedirect('/account');
    $world->decide('anna', $world->item(0), 'include');
    $world->decide('ben', $world->item(0), 'exclude');
    expect(DB::table('notifications')->where('notifiable_id', $world->people['anna']->id)->count())
        ->toBe(0)
        ->and(Letter::query()->where('recipient', 'anna@heron.example')->count())
        ->toBe(0)
        ->and(noticesOf($world->people['ben']))
        ->toHaveCount(1);
    $this->get('/account')->assertSee('by mail');
});

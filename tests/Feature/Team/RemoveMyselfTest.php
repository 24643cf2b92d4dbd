<?php

namespace Tests\Feature\Team;

use App\Access\Role;
use App\Access\TokenAbility;
use App\Actions\Api\GiveToken;
use App\Actions\Team\ChangeTeam;
use App\Actions\Team\InvitePerson;
use App\Models\Decision;
use App\Models\LogEntry;
use App\Models\Membership;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** @return list<string> tables of which some row holds a text */
function tablesWith(string $text): array
{
    $tables = DB::table('information_schema.tables')
        ->where('table_schema', 'public')
        ->where('table_type', 'BASE TABLE')
        ->pluck('table_name')
        ->all();

    return array_values(array_filter(
        $tables,
        fn (string $table): bool => DB::selectOne("SELECT EXISTS (SELECT FROM \"{$table}\" t WHERE t::text ILIKE ?) AS is", ["%{$text}%"])->is,
    ));
}

it('takes a person’s name and address out of everything, and keeps what they decided under a name of nobody', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps']]);
    $anna = $world->people['anna'];
    $world->decide('anna', $world->item(), 'include', 'fits');
    app(GiveToken::class)->execute($anna, $world->review, 'nightly', [TokenAbility::Read], now()->addDay());
    $membership = Membership::query()->where('user_id', $anna->id)->sole();
    app(ChangeTeam::class)->giveRole($world->people['lead'], $world->review, $membership, Role::Reviewer);
    app(InvitePerson::class)->execute($world->people['lead'], $world->review, 'new.person@heron.example', Role::Coder);
    expect(tablesWith('Anna Kolbe'))->toContain('log_entries', 'users');

    $this->actingAs($anna)->delete('/account', ['removing_password' => 'wrong', 'sure' => 1])->assertSessionHasErrors('removing_password');
    $this->delete('/account', ['removing_password' => 'a long password'])->assertSessionHasErrors('sure');
    $this->delete('/account', ['removing_password' => 'a long password', 'sure' => 1])->assertRedirect('/sign-in');

    expect(tablesWith('Anna Kolbe'))->toBe([])
        ->and(tablesWith('anna@heron.example'))->toBe([])
        ->and(Decision::query()->where('user_id', $anna->id)->sole()->note)->toBe('fits')
        ->and($anna->refresh()->name)->toStartWith('Former member ')
        ->and(LogEntry::query()->where('action', 'team.role')->sole()->summary)->toBe("Made {$anna->name} reviewer")
        ->and(LogEntry::query()->where('action', 'team.invited')->sole()->summary)->toContain('new.person@heron.example');
    $this->assertGuest();
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a long password'])->assertSessionHasErrors();
    // it goes on with the others
    $world->decide('ben', $world->item(), 'include');
    $this->actingAs($world->people['lead'])->get("/reviews/{$world->review->id}/log")->assertOk();
});

it('leaves no review without a lead', function () {
    $world = new World();
    $this->actingAs($world->people['lead'])
        ->delete('/account', ['removing_password' => 'a long password', 'sure' => 1])
        ->assertSessionHas('problem', fn (string $says): bool => str_contains($says, 'Lamps at night'));
    expect($world->people['lead']->refresh()->name)->toBe('Ines Okafor');
});

it('opens the Log to nothing else: neither to the application, nor to a name that is still somebody’s', function () {
    $world = new World();
    $anna = $world->people['anna'];
    $as = fn (string $sql, array $with = []) => fn () => DB::transaction(fn () => DB::statement($sql, $with));
    expect($as('SELECT forget_person(?, ?, ?, ?)', [$anna->id, 'Created', 'x@y', 'gone']))->toThrow(QueryException::class)
        ->and($as("SELECT set_config('heron.forgetting', 'no', true); "))->not->toThrow(QueryException::class)
        ->and($as("UPDATE log_entries SET summary = 'x'"))->toThrow(QueryException::class)
        ->and($as('DELETE FROM log_entries'))->toThrow(QueryException::class);
});

it('tells a person all that is kept about them, and nothing of others', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps']]);
    $world->decide('anna', $world->item(), 'include', 'fits');
    $world->decide('ben', $world->item(1), 'include', 'a secret');
    $told = $this->actingAs($world->people['anna'])->get('/account/data')->assertOk()->streamedContent();
    $data = json_decode($told, true, flags: JSON_THROW_ON_ERROR);
    expect($data['person']['address'])->toBe('anna@heron.example')
        ->and($data['reviews'][0]['title'])->toBe('Lamps at night')
        ->and($data['decisions'][0]['note'])->toBe('fits')
        ->and($told)->not->toContain('a secret')
        ->not->toContain($world->people['anna']->password);
});

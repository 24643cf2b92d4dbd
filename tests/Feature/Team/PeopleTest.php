<?php

namespace Tests\Feature\Team;

use App\Models\Invitation;
use App\Models\Letter;
use App\Models\User;
use Tests\Feature\World;

it('signs in and out', function () {
    new World();
    $this->post('/sign-in', ['email' => 'ANNA@heron.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
    $this->post('/sign-in', ['email' => 'ANNA@heron.example', 'password' => 'a long password'])->assertRedirect('/');
    $this->assertAuthenticated();
    $this->get('/')->assertOk()->assertSee('Lamps at night');
    $this->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('slows down guessing', function () {
    new World();
    foreach (range(1, 6) as $try) {
        $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => "guess {$try}"])->assertRedirect();
    }
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a long password'])
        ->assertRedirect()
        ->assertSessionHas('problem');
    $this->postJson('/sign-in', [
        'email' => 'anna@heron.example',
        'password' => 'a long password',
    ])->assertTooManyRequests();
    expect(auth()->check())->toBeFalse();
    // the others of the same house are not held up by it
    $this->post('/sign-in', ['email' => 'ben@heron.example', 'password' => 'a long password'])->assertRedirect('/');
});

it('gives a new password by a link from the post room, once', function () {
    new World();
    $this->post('/forgot-password', ['email' => 'nobody@heron.example'])->assertRedirect('/sign-in');
    expect(Letter::query()->count())->toBe(0);
    $this->post('/forgot-password', ['email' => 'anna@heron.example'])->assertRedirect('/sign-in');
    preg_match('~/reset-password/(\w+)~', Letter::query()->sole()->body, $link);
    $this->get("/reset-password/{$link[1]}?email=anna@heron.example")->assertOk();
    $new = [
        'token' => $link[1],
        'email' => 'anna@heron.example',
        'password' => 'another long one',
        'password_confirmation' => 'another long one',
    ];
    $this->post('/reset-password', [
        ...$new,
        'password' => 'short',
        'password_confirmation' => 'short',
    ])->assertSessionHasErrors('password');
    $this->post('/reset-password', $new)->assertRedirect('/sign-in');
    $this->post('/reset-password', $new)->assertSessionHasErrors('email');
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'another long one'])->assertRedirect('/');
});

it('brings somebody new in by a link', function () {
    $world = new World();
    $this->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/team/invitations", ['email' => 'New@heron.example', 'role' => 'coder'])
        ->assertRedirect();
    preg_match('~/invitations/(\w+)~', Letter::query()->sole()->body, $link);
    auth()->logout();
    $this->get("/invitations/{$link[1]}")
        ->assertOk()
        ->assertSee('Lamps at night');
    $this->post("/invitations/{$link[1]}", [
        'name' => 'Nina Neu',
        'password' => 'quite a long one',
        'password_confirmation' => 'quite a long one',
    ])->assertRedirect("/reviews/{$world->review->id}/question");
    expect(User::query()->where('email', 'new@heron.example')->sole()->roleIn($world->review)->value)->toBe('coder');
    $this->post("/invitations/{$link[1]}")->assertSessionHas('problem');
    $this->get('/invitations/unknown')->assertNotFound();
});

it('lets an invitation be used by its holder only, and withdraws it', function () {
    $world = new World();
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/team/invitations", [
        'email' => 'outsider@heron.example',
        'role' => 'reviewer',
    ]);
    preg_match('~/invitations/(\w+)~', Letter::query()->sole()->body, $link);
    $this->actingAs($world->people['coder'])
        ->post("/invitations/{$link[1]}")
        ->assertSessionHas('problem');
    $this->actingAs($world->people['lead'])->delete(
        "/reviews/{$world->review->id}/team/invitations/".Invitation::query()->sole()->id,
    );
    $this->actingAs($world->people['outsider'])
        ->post("/invitations/{$link[1]}")
        ->assertSessionHas('problem');
    expect($world->people['outsider']->fresh()->roleIn($world->review))->toBeNull();
});

it('keeps a lead in every review', function () {
    $world = new World();
    $lead = $world->review->memberships()->where('role', 'lead')->sole();
    $this->actingAs($world->people['lead'])
        ->put("/reviews/{$world->review->id}/team/{$lead->id}", ['role' => 'observer'])
        ->assertSessionHas('problem');
    $this->delete("/reviews/{$world->review->id}/team/{$lead->id}")->assertSessionHas('problem');
    expect($lead->fresh()->role->value)->toBe('lead');
});

<?php

namespace Tests\Feature\Team;

use App\Actions\Team\CreateReview;
use App\Models\Membership;
use Tests\Feature\World;

it('shows for each review its figures, what waits, what is next, and first those where something waits', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Beds']]);
    app(CreateReview::class)->execute($world->people['anna'], 'Nothing yet', 'Is there any?');
    $this->actingAs($world->people['anna'])
        ->get('/')
        ->assertSeeTextInOrder(['Lamps at night', 'Do lamps help?', '2', 'to screen', 'Next:', '2', 'publications'])
        ->assertSeeTextInOrder(['Nothing yet', 'Is there any?', 'Nothing waits for you here.']);
});

it('says what others did since one was last there, as far as one may see it', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Beds']]);
    $review = "/reviews/{$world->review->id}/question";
    $anna = $this->actingAs($world->people['anna']);
    $anna->get('/')->assertDontSeeText('you were last here');
    usleep(5_000); // entries of the Log are told apart by the thousandth of a second
    $anna->get($review);
    usleep(5_000);
    $world->deliver([['TI' => 'Chairs']]);
    $world->decide('ben', $world->item(), 'include'); // blinded: it is not told
    $this->travel(2)->hours();
    $anna->get('/')->assertSeeText('others did 1 in Records.')->assertDontSeeText('in Screening');
});

it('counts a visit until half an hour has passed without a page', function () {
    $world = new World();
    $page = "/reviews/{$world->review->id}/question";
    $mine = fn (): Membership => $world->review->memberships()->where('user_id', $world->people['anna']->id)->sole();
    $open = function () use ($page, $world): void {
        session()->flush();
        $this->actingAs($world->people['anna'])->get($page)->assertOk();
    };
    $open();
    expect($mine()->visited_at)->toBeNull();
    $first = $mine()->seen_at;
    Membership::query()->whereKey($mine()->id)->update(['seen_at' => $first->subMinutes(20)]);
    $open(); // the same visit goes on
    expect($mine()->visited_at)->toBeNull();
    Membership::query()->whereKey($mine()->id)->update(['seen_at' => $first->subMinutes(40)]);
    $open();
    expect($mine()->visited_at?->equalTo($first->subMinutes(40)))->toBeTrue();
});

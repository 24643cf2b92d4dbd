<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Models\Review;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Who may do what in a review. To somebody outside it, it does not exist. */
final class ReviewPolicy
{
    public function view(User $user, Review $review): Response
    {
        return $user->roleIn($review) === null ? Response::denyAsNotFound() : Response::allow();
    }

    public function create(User $user): bool
    {
        return true;
    }

    public function manage(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Manage);
    }

    public function search(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Search);
    }

    public function deliver(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Deliver);
    }

    public function screen(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Screen);
    }

    public function settle(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Settle);
    }

    public function code(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Code);
    }

    public function tag(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Tag);
    }

    public function obtain(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Obtain);
    }

    public function write(User $user, Review $review): Response
    {
        return $this->may($user, $review, Ability::Write);
    }

    /** Taking the whole review away, closing it, and opening it again: also when it is closed. */
    public function close(User $user, Review $review): Response
    {
        return $this->inRole($user, $review, Ability::Manage);
    }

    private function may(User $user, Review $review, Ability $ability): Response
    {
        return $review->closed_at !== null && $user->roleIn($review) !== null
            ? Response::deny('This review was closed on '.$review->closed_at->format('j M Y').': nothing in it is changed any more.')
            : $this->inRole($user, $review, $ability);
    }

    private function inRole(User $user, Review $review, Ability $ability): Response
    {
        $role = $user->roleIn($review);

        return match (true) {
            $role === null => Response::denyAsNotFound(),
            $role->may($ability) => Response::allow(),
            default => Response::deny($ability->refusal()),
        };
    }
}

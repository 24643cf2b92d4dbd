<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Letter;
use App\Models\User;

/** In a demo all mail is open to everyone, signed in or not; elsewhere people see what was sent to them. */
final class LetterPolicy
{
    public function viewAny(?User $user): bool
    {
        return config('heron.demo') === true || $user !== null;
    }

    public function view(?User $user, Letter $letter): bool
    {
        return config('heron.demo') === true || ($user !== null && strcasecmp($user->email, $letter->recipient) === 0);
    }
}

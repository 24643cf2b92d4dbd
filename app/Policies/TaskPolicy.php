<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Ability;
use App\Models\Task;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final class TaskPolicy
{
    public function view(User $user, Task $task): Response
    {
        return $user->roleIn($task->review) === null ? Response::denyAsNotFound() : Response::allow();
    }

    public function cancel(User $user, Task $task): Response
    {
        $role = $user->roleIn($task->review);

        return match (true) {
            $role === null => Response::denyAsNotFound(),
            $task->user_id === $user->id, $role->may(Ability::Manage) => Response::allow(),
            default => Response::deny('Only who started this work, or the lead, may cancel it.'),
        };
    }
}

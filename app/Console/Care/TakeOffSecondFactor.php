<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Access\OpenSessions;
use App\Actions\Team\ChangeSecondFactor;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Console\Command;

/** For somebody who has lost their device and their recovery codes, and who has shown otherwise who they are. */
final class TakeOffSecondFactor extends Command
{
    protected $signature = 'heron:second-factor {email}';

    protected $description = 'Take off a person’s second factor, and end their sign-ins';

    public function handle(ChangeSecondFactor $change): int
    {
        $email = $this->argument('email');
        $user = is_string($email) ? User::withAddress($email) : null;
        if ($user === null || SecondFactor::of($user) === null) {
            $this->error($user === null ? 'Nobody here has that address.' : "{$user->name} has no second factor.");

            return 2;
        }
        $change->remove($user);
        OpenSessions::endAll($user);
        $this->info("{$user->name} signs in by the password alone now. Ask them to set up a new one.");

        return self::SUCCESS;
    }
}

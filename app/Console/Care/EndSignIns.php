<?php

declare(strict_types=1);

namespace App\Console\Care;

use App\Access\OpenSessions;
use App\Access\SecurityLog;
use App\Models\User;
use Illuminate\Console\Command;

/**
 * For a device that was lost, or when somebody may have got hold of sessions: whoever is signed in has to sign in anew.
 */
final class EndSignIns extends Command
{
    protected $signature = 'heron:sign-out {email? : of one person} {--everybody}';

    protected $description = 'End where one person, or everybody, is signed in';

    public function handle(SecurityLog $security): int
    {
        $email = $this->argument('email');
        if (($email === null) !== (bool) $this->option('everybody')) {
            $this->error('Name one address, or say --everybody.');

            return 2;
        }
        $people = is_string($email) ? array_filter([User::withAddress($email)]) : User::query()->lazyById();
        $count = 0;
        foreach ($people as $user) {
            OpenSessions::endAll($user);
            $security->write('sessions ended by the operator', ['of' => $user->id]);
            $count++;
        }
        $count === 0 ? $this->error('Nobody here has that address.') : $this->info("Ended for {$count}.");

        return $count === 0 ? 2 : self::SUCCESS;
    }
}

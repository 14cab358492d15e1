import { shopContext } from '@/server/instance';
import { door } from '@/server/sign-in/signIn';
import { SignIn } from '@/ui/sign-in/SignIn';

export const dynamic = 'force-dynamic';

export default function SignInPage() {
  return <SignIn {...door(shopContext())} />;
}

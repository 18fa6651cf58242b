/** Where the app begins. */
import './begin';
import 'expo-router/entry';
